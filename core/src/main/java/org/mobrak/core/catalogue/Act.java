package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Something a route does that a state of the phone may forbid. */
public enum Act {
    @JsonProperty("anything")
    ANYTHING("anything", "anything at all"),
    @JsonProperty("wipe")
    WIPE("wipe", "wipe the data"),
    @JsonProperty("format")
    FORMAT("format", "format the storage"),
    @JsonProperty("big-write")
    BIG_WRITE("big-write", "write much at once"),
    @JsonProperty("write-radio")
    WRITE_RADIO("write-radio", "write the radio"),
    @JsonProperty("write-bootloader")
    WRITE_BOOTLOADER("write-bootloader", "write the bootloader"),
    @JsonProperty("custom-write")
    CUSTOM_WRITE("custom-write", "write what is not the maker’s"),
    @JsonProperty("older-bootloader")
    OLDER_BOOTLOADER("older-bootloader", "write an older bootloader"),
    @JsonProperty("older-firmware")
    OLDER_FIRMWARE("older-firmware", "write older firmware"),
    @JsonProperty("lock")
    LOCK("lock", "lock the bootloader"),
    @JsonProperty("charge")
    CHARGE("charge", "charge the battery"),
    @JsonProperty("start-of-the-os")
    START_OF_THE_OS("start-of-the-os", "work in the started OS");

    private final String word;
    private final String inWords;

    Act(String word, String inWords) {
        this.word = word;
        this.inWords = inWords;
    }

    /** For programs and catalogue files. */
    public String word() {
        return word;
    }

    /** For a person, behind “must not”. */
    public String inWords() {
        return inWords;
    }
}
