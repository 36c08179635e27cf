package org.mobrak.link;

/**
 * A file on a phone.
 *
 * @param mode its rights in octal, such as {@code 0644}
 * @param owner the user it belongs to
 */
public record PhoneFile(byte[] content, String mode, String owner) {
    /** As the platform wants its own files: only root writes, everybody reads. */
    public static PhoneFile ofSystem(byte[] content) {
        return new PhoneFile(content.clone(), "0644", "root");
    }

    /** The same bytes in an array of their own. */
    public PhoneFile copy() {
        return new PhoneFile(content.clone(), mode, owner);
    }

    /** Whether only its owner may write it; the platform passes over property files that others may write. */
    public boolean isGuarded() {
        return mode.length() > 1
                && (mode.charAt(mode.length() - 1) & 2) == 0
                && (mode.charAt(mode.length() - 2) & 2) == 0
                && owner.equals("root");
    }
}
