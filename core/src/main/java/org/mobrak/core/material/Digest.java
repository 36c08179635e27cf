package org.mobrak.core.material;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** A digest people compare. MD5 and SHA-1 no longer guard against a forger; against a damaged download all do. */
public enum Digest {
    MD5("md5", "MD5", 32),
    SHA1("sha1", "SHA-1", 40),
    SHA256("sha256", "SHA-256", 64),
    SHA512("sha512", "SHA-512", 128),
    CRC32("crc32", "CRC-32", 8);

    private final String word;
    private final String label;
    private final int hexDigits;

    Digest(String word, String label, int hexDigits) {
        this.word = word;
        this.label = label;
        this.hexDigits = hexDigits;
    }

    /** For programs. */
    public String word() {
        return word;
    }

    /** For a person; also the name by which the Java platform knows the algorithm. */
    public String label() {
        return label;
    }

    /** How many hexadecimal digits its value has. */
    public int hexDigits() {
        return hexDigits;
    }

    /** The digest with a value so long; each length belongs to one. */
    public static Optional<Digest> ofLength(int hexDigits) {
        return Arrays.stream(values())
                .filter(digest -> digest.hexDigits == hexDigits)
                .findFirst();
    }

    /** The digest of a name such as {@code SHA256}, {@code sha-256}, {@code SHA2-256} or {@code MD5SUM}. */
    public static Optional<Digest> ofName(String name) {
        String plain =
                name.toLowerCase(Locale.ROOT).replaceAll("sum$|[^a-z0-9]", "").replaceFirst("^sha2(?=256|512)", "sha");
        return Arrays.stream(values())
                .filter(digest -> digest.word.equals(plain))
                .findFirst();
    }
}
