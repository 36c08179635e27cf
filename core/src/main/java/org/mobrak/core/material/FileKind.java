package org.mobrak.core.material;

/** What a file can be found to be. */
public enum FileKind {
    BOOT_IMAGE("boot-image", "boot image"),
    KERNEL_IMAGE("kernel-image", "kernel image"),
    TAR("tar", "tar archive"),
    TAR_MD5("tar-md5", "tar archive with its md5 at the end"),
    UPDATE_ZIP("update-zip", "update zip"),
    ZIP("zip", "zip archive"),
    SPARSE_IMAGE("sparse-image", "sparse image"),
    EXT4_IMAGE("ext4-image", "ext4 file system"),
    GZIP("gzip", "gzip"),
    XZ("xz", "xz"),
    LZ4("lz4", "lz4"),
    DEVICE_TREE("device-tree", "device tree"),
    ELF("elf", "ELF program"),
    TEXT("text", "text"),
    UNKNOWN("unknown", "nothing Mobrak knows");

    private final String word;
    private final String label;

    FileKind(String word, String label) {
        this.word = word;
        this.label = label;
    }

    /** For programs. */
    public String word() {
        return word;
    }

    /** For a person. */
    public String label() {
        return label;
    }

    /** Whether it is a tar archive, with or without a trailer. */
    public boolean isTar() {
        return this == TAR || this == TAR_MD5;
    }

    /** Whether it is a zip archive, for a recovery or not. */
    public boolean isZip() {
        return this == ZIP || this == UPDATE_ZIP;
    }

    /** Whether it is one stream made smaller. */
    public boolean isPacked() {
        return this == GZIP || this == XZ || this == LZ4;
    }
}
