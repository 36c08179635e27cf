package org.mobrak.core.identity;

import static org.mobrak.core.identity.Domain.decimal;
import static org.mobrak.core.identity.Domain.free;
import static org.mobrak.core.identity.Domain.number;
import static org.mobrak.core.identity.Domain.oneOf;

import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Everything Mobrak can know about a phone and its bench. The key is the name used on the command line, in the
 * catalogue and in JSON; the hint says where on the phone the value stands (common practice, no published source).
 */
public enum Fact {
    MODEL("model", "Model number", Group.NAME, free(), "About screen, or the label under the battery"),
    SHOP_NAME("shopName", "Shop name", Group.NAME, free(), "The box, or the catalogue once the model number is known"),
    DEVICE("device", "Device code", Group.NAME, free(), "Property listing: ro.product.device"),
    PRODUCT("product", "Product code", Group.NAME, free(), "Property listing: ro.product.name"),
    MAKER("maker", "Maker", Group.NAME, free(), "Property listing: ro.product.manufacturer"),
    CARRIER("carrier", "Carrier", Group.NAME, free(), "Boot logo, SIM tray, or the model number's suffix"),
    REGION("region", "Region", Group.NAME, free(), "The model number's suffix or the box"),
    ABI("abi", "Processor interface", Group.NAME, free(), "Property listing: ro.product.cpu.abi"),
    CHIPSET("chipset", "Chipset", Group.NAME, free(), "Property listing: ro.board.platform"),
    SERIAL("serial", "Serial number", Group.NAME, free(), "About screen: status, or the label under the battery"),
    OS_VERSION("osVersion", "OS version", Group.SOFTWARE, free(), "About screen"),
    API_LEVEL("apiLevel", "API level", Group.SOFTWARE, number(1, 99), "Property listing: ro.build.version.sdk"),
    BUILD_ID("buildId", "Build id", Group.SOFTWARE, free(), "Property listing: ro.build.id"),
    BUILD_ID_DATE("buildIdDate", "Build id date", Group.SOFTWARE, free(), "Worked out from the build id"),
    BUILD_NUMBER("buildNumber", "Build number", Group.SOFTWARE, free(), "About screen"),
    INCREMENTAL("incremental", "Incremental", Group.SOFTWARE, free(), "Property listing: ro.build.version.incremental"),
    BUILD_TYPE("buildType", "Build type", Group.SOFTWARE, free(), "Property listing: ro.build.type"),
    BUILD_TAGS("buildTags", "Build tags", Group.SOFTWARE, free(), "Property listing: ro.build.tags"),
    FINGERPRINT("fingerprint", "Fingerprint", Group.SOFTWARE, free(), "Property listing: ro.build.fingerprint"),
    BUILD_DATE("buildDate", "Build date", Group.SOFTWARE, free(), "Property listing: ro.build.date.utc"),
    PATCH_LEVEL("patchLevel", "Patch level", Group.SOFTWARE, free(), "About screen, from OS version 6 on"),
    DEBUGGABLE("debuggable", "Debuggable", Group.SOFTWARE, oneOf("yes", "no"), "Property listing: ro.debuggable"),
    KERNEL_RELEASE("kernelRelease", "Kernel release", Group.RADIO_AND_KERNEL, free(), "About screen: kernel version"),
    KERNEL_BUILT(
            "kernelBuilt", "Kernel built", Group.RADIO_AND_KERNEL, free(), "About screen: kernel version, last line"),
    KERNEL_BUILDER(
            "kernelBuilder",
            "Kernel builder",
            Group.RADIO_AND_KERNEL,
            free(),
            "About screen: kernel version, 2nd line"),
    KERNEL_COMPILER("kernelCompiler", "Kernel compiler", Group.RADIO_AND_KERNEL, free(), "The kernel's banner"),
    KERNEL_BUILD("kernelBuild", "Kernel build", Group.RADIO_AND_KERNEL, free(), "The kernel's banner: from the # sign"),
    KERNEL_KIND("kernelKind", "Kernel kind", Group.RADIO_AND_KERNEL, oneOf("stock", "custom"), "What was flashed last"),
    BASEBAND("baseband", "Baseband", Group.RADIO_AND_KERNEL, free(), "About screen: baseband version"),
    BOOTLOADER("bootloader", "Bootloader", Group.BOOT_SECURITY, free(), "Bootloader screen, or ro.bootloader"),
    LOCK("lock", "Bootloader lock", Group.BOOT_SECURITY, oneOf("locked", "unlocked"), "Bootloader screen"),
    WRITE_PROTECTION(
            "writeProtection", "Write protection", Group.BOOT_SECURITY, oneOf("on", "off"), "Bootloader screen"),
    WARRANTY_FUSE(
            "warrantyFuse", "Warranty fuse", Group.BOOT_SECURITY, oneOf("intact", "blown"), "Download-mode screen"),
    ROLLBACK_FUSE(
            "rollbackFuse",
            "Rollback fuse",
            Group.BOOT_SECURITY,
            oneOf("present", "absent"),
            "The catalogue, or what others with this model report"),
    CUSTOM_WRITES("customWrites", "Custom writes", Group.BOOT_SECURITY, number(0, 9999), "Download-mode screen"),
    ACCOUNT_LOCK(
            "accountLock",
            "Account lock",
            Group.BOOT_SECURITY,
            oneOf("on", "off"),
            "Download-mode screen, or the first screens after a reset: do they ask for somebody's account?"),
    LOCK_GUARD(
            "lockGuard",
            "Lock guard",
            Group.BOOT_SECURITY,
            oneOf("on", "off"),
            "Download-mode screen: the line about what may be written"),
    RECOVERY_KEYS(
            "recoveryKeys",
            "Keys into the recovery",
            Group.BOOT_SECURITY,
            free(),
            "Tried with the phone off, and written as: hold volume-up + power until the logo"),
    DOWNLOAD_KEYS(
            "downloadKeys",
            "Keys into download mode",
            Group.BOOT_SECURITY,
            free(),
            "Tried with the phone off, and written as: hold volume-down + power until the warning; press volume-up"),
    CONSOLE_KEYS(
            "consoleKeys",
            "Keys into the flash console",
            Group.BOOT_SECURITY,
            free(),
            "Tried with the phone off, and written as: hold volume-down + power until it vibrates"),
    RECOVERY("recovery", "Recovery", Group.CONDITION, oneOf("stock", "custom"), "Boot into recovery and look"),
    ROOT(
            "root",
            "Root",
            Group.CONDITION,
            oneOf("none", "temporary", "permanent"),
            "A shell's identity, or a granted request"),
    ROOT_MANAGER(
            "rootManager", "Root manager", Group.CONDITION, oneOf("none", "present", "stale"), "App drawer; open it"),
    OS_KIND("osKind", "OS kind", Group.CONDITION, oneOf("stock", "custom"), "Start screen; the maker's, or another"),
    UPDATE(
            "update",
            "Latest update",
            Group.CONDITION,
            oneOf("installed", "pending"),
            "Settings: system update, or the maker's list"),
    OS_STARTS(
            "osStarts",
            "OS starts",
            Group.CONDITION,
            oneOf("yes", "no"),
            "Switch it on: does it reach the home screen?"),
    ENCRYPTION("encryption", "Storage encryption", Group.CONDITION, oneOf("on", "off"), "Settings: security"),
    OTA_PATH("otaPath", "OTA updates", Group.CONDITION, oneOf("open", "blocked"), "Settings: system update"),
    TROUBLE(
            "trouble",
            "Trouble",
            Group.CONDITION,
            oneOf(
                    "none",
                    "app-refuses-custom-state",
                    "app-refuses-carrier-and-model",
                    "app-wants-update",
                    "ota-fails",
                    "boots-stock-recovery",
                    "manager-binary-old",
                    "no-root-despite-manager",
                    "store-missing",
                    "black-screen",
                    "loops-at-logo",
                    "not-seen-by-computer",
                    "app-lost-what-it-needs",
                    "ota-silent",
                    "no-pop-up",
                    "root-without-manager",
                    "first-boot-long",
                    "data-locked-after-unlock",
                    "card-not-seen",
                    "no-signal-after-write",
                    "wifi-gone-after-write",
                    "root-gone-after-restart",
                    "root-gone-after-update",
                    "storage-full",
                    "battery-hot",
                    "wrong-model-shown"),
            "What the phone, or an app on it, shows"),
    BATTERY_PERCENT("batteryPercent", "Battery percent", Group.CONDITION, number(0, 100), "Status bar"),
    BATTERY_TEMPERATURE(
            "batteryTemperature", "Battery temperature", Group.CONDITION, decimal(-40, 120), "Battery status, in °C"),
    BATTERY_VOLTAGE("batteryVoltage", "Battery voltage", Group.CONDITION, decimal(0, 20), "Battery status, in V"),
    BATTERY_HEALTH(
            "batteryHealth",
            "Battery health",
            Group.CONDITION,
            oneOf("good", "overheated", "dead", "over-voltage", "failing", "cold"),
            "Battery status"),
    BATTERY_BODY(
            "batteryBody",
            "Battery body",
            Group.CONDITION,
            oneOf("flat", "swollen", "damaged"),
            "Lay it on a table: it must not rock, bulge or smell"),
    OWNER_DATA(
            "ownerData",
            "Owner's data",
            Group.CONDITION,
            oneOf("there", "removed"),
            "Accounts in the settings, pictures, messages; card and SIM"),
    DATA_FREE(
            "dataFree",
            "Free on internal storage",
            Group.CONDITION,
            number(0, Long.MAX_VALUE),
            "Volume listing, in bytes"),
    CARD_FREE("cardFree", "Free on the card", Group.CONDITION, number(0, Long.MAX_VALUE), "Volume listing, in bytes"),
    USB_DEBUGGING(
            "usbDebugging", "USB debugging", Group.BENCH, oneOf("on", "off", "absent"), "Settings: developer options"),
    UNKNOWN_SOURCES(
            "unknownSources", "Unknown sources", Group.BENCH, oneOf("on", "off", "absent"), "Settings: security"),
    OEM_UNLOCK(
            "oemUnlock", "OEM unlock switch", Group.BENCH, oneOf("on", "off", "absent"), "Settings: developer options"),
    IMAGE_BACKUP("imageBackup", "Image backup", Group.BENCH, oneOf("none", "taken", "verified"), "Your own copies"),
    APP_BACKUP("appBackup", "App-and-data backup", Group.BENCH, oneOf("none", "taken", "verified"), "Your own copies"),
    RADIO_BACKUP(
            "radioBackup",
            "Copy of the radio's identity",
            Group.BENCH,
            oneOf("none", "taken", "verified"),
            "Your own copies, kept private"),
    HOST_OS(
            "hostOs",
            "Computer's system",
            Group.BENCH,
            oneOf("windows", "linux", "macos"),
            "The computer in front of you"),
    CABLE("cable", "Cable", Group.BENCH, oneOf("data", "factory"), "The cable in your hand"),
    SERVICE_PLUG("servicePlug", "Service plug", Group.BENCH, oneOf("yes", "no"), "Your box of plugs"),
    INTERNET("internet", "Internet on the phone", Group.BENCH, oneOf("yes", "no"), "Status bar"),
    FILES_COPIED(
            "filesCopied",
            "Files on the phone",
            Group.BENCH,
            oneOf("yes", "no"),
            "A file list on the phone: every file the plan needs there, still zipped where it says so"),
    CARD("card", "Memory card", Group.BENCH, oneOf("yes", "no"), "The card slot"),
    WHAT_WORKS(
            "whatWorks",
            "Known issues",
            Group.BENCH,
            oneOf("accepted", "unread"),
            "The author's list of what works in a new OS and what does not");

    /** What practitioners ask together. */
    public enum Group {
        NAME("Name and make"),
        SOFTWARE("Software"),
        RADIO_AND_KERNEL("Radio and kernel"),
        BOOT_SECURITY("Boot security"),
        CONDITION("Condition now"),
        BENCH("Bench and switches");

        private final String label;

        Group(String label) {
            this.label = label;
        }

        /** The heading a person reads. */
        public String label() {
            return label;
        }
    }

    private static final Map<String, Fact> BY_KEY =
            Arrays.stream(values()).collect(Collectors.toUnmodifiableMap(Fact::key, Function.identity()));

    private final String key;
    private final String label;
    private final Group group;
    private final Domain domain;
    private final String whereToRead;

    Fact(String key, String label, Group group, Domain domain, String whereToRead) {
        this.key = key;
        this.label = label;
        this.group = group;
        this.domain = domain;
        this.whereToRead = whereToRead;
    }

    /** The fact with this key, compared exactly. */
    public static Optional<Fact> ofKey(String key) {
        return Optional.ofNullable(BY_KEY.get(key));
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** The label as it stands within a sentence, with its article if it takes one: an abbreviation keeps its capitals. */
    public String inSentence() {
        boolean abbreviated = label.length() > 1 && Character.isUpperCase(label.charAt(1));
        boolean bare = this == WHAT_WORKS
                || this == ROOT
                || this == USB_DEBUGGING
                || this == WRITE_PROTECTION
                || this == INTERNET;
        return (bare ? "" : "the ")
                + (abbreviated ? label : label.substring(0, 1).toLowerCase(Locale.ROOT) + label.substring(1));
    }

    public Group group() {
        return group;
    }

    /** Which values this fact may take. */
    public Domain domain() {
        return domain;
    }

    /** Where a person with the phone in hand finds the value. */
    public String whereToRead() {
        return whereToRead;
    }

    /**
     * Whether work on the phone can change this fact, so that a later reading replaces an earlier one instead of
     * contradicting it.
     */
    public boolean changes() {
        return group == Group.CONDITION
                || group == Group.BENCH
                || group == Group.BOOT_SECURITY && this != BOOTLOADER && !isOfTheKeys()
                || this == KERNEL_KIND;
    }

    /** Whether it tells which keys lead into a mode: the phone was made so. */
    private boolean isOfTheKeys() {
        return this == RECOVERY_KEYS || this == DOWNLOAD_KEYS || this == CONSOLE_KEYS;
    }

    /** Whether a route may bring this about: a state, or a version that it writes. */
    public boolean canBeGiven() {
        return changes()
                || switch (this) {
                    case OS_VERSION,
                            API_LEVEL,
                            BUILD_NUMBER,
                            BUILD_ID,
                            INCREMENTAL,
                            FINGERPRINT,
                            PATCH_LEVEL,
                            BUILD_DATE,
                            KERNEL_RELEASE,
                            KERNEL_BUILT,
                            BASEBAND,
                            BOOTLOADER -> true;
                    default -> false;
                };
    }

    /**
     * What this is on a phone that nobody has touched (common practice, no published source). It orders what is supposed and
     * is never taken for known.
     */
    public Optional<String> usual() {
        return switch (this) {
            case RECOVERY, KERNEL_KIND, OS_KIND -> Optional.of("stock");
            case ROOT, ROOT_MANAGER -> Optional.of("none");
            case LOCK -> Optional.of("locked");
            case WRITE_PROTECTION -> Optional.of("on");
            case WARRANTY_FUSE -> Optional.of("intact");
            case CUSTOM_WRITES -> Optional.of("0");
            default -> Optional.empty();
        };
    }

    /** Whether its values are read as numbers. */
    public boolean isNumber() {
        return domain instanceof Domain.WholeNumber || domain instanceof Domain.Decimal;
    }

    /** Whether its values are read as days, ISO 8601. */
    public boolean isDay() {
        return this == BUILD_DATE || this == BUILD_ID_DATE || this == KERNEL_BUILT || this == PATCH_LEVEL;
    }

    /** Whether its values are ordered by their leading numbers. */
    public boolean isVersion() {
        return this == OS_VERSION || this == KERNEL_RELEASE || isNumber();
    }

    /** Whether an update or another OS changes this fact, so that readings of different days may differ. */
    public boolean updates() {
        return !changes() && group != Group.NAME;
    }
}
