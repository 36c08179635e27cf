package org.mobrak.core.identity.reader;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Source;

/**
 * What a shell says it is: {@code uid=0(root) gid=0(root) …}, the form of POSIX's {@code id} utility. User 0 proves root now
 * and no more, since only a restart tells permanent root from temporary (common practice, no published source).
 */
final class ShellIdentityReader implements FormReader {
    private static final Pattern IDENTITY = Pattern.compile("(?:^|\\s)uid=(\\d{1,10})(?:\\(([^)]*)\\))?(?:\\s|$)");

    /** The security domain in which a recovery runs. */
    private static final String RECOVERY_DOMAIN = ":recovery:";

    @Override
    public void read(Page page) {
        page.open().filter(index -> page.raw(index).contains("uid=")).forEach(index -> {
            Matcher identity = IDENTITY.matcher(page.line(index));
            if (identity.find()) {
                page.take(index);
                if (page.line(index).contains(RECOVERY_DOMAIN) || isOfRecovery(page)) {
                    tellRecovery(page, index);
                } else {
                    say(page, Long.parseLong(identity.group(1)), index);
                }
            }
        });
    }

    /** The running system says in which mode it was started. */
    private static boolean isOfRecovery(Page page) {
        for (int index = 0; index < page.size(); index++) {
            String line = page.raw(index);
            if (line.contains("ro.bootmode") && line.contains("recovery")
                    || line.contains("init.svc.recovery") && line.contains("running")) {
                return true;
            }
        }
        return false;
    }

    private static void tellRecovery(Page page, int index) {
        page.tell(Finding.note(
                "shell-of-recovery",
                "%s: this shell is of the recovery, which is always root. It says nothing of the OS; start that and ask again."
                        .formatted(page.place(index))));
    }

    private static void say(Page page, long user, int index) {
        if (user == 0) {
            page.say(Fact.ROOT, "temporary", Source.ROOT_PROOF, index);
            page.tell(Finding.note(
                    "root-now",
                    "%s: the shell is root now. Until the same is seen after a restart, it counts as temporary."
                            .formatted(page.place(index))));
        } else {
            page.tell(Finding.note(
                    "shell-not-root",
                    "%s: this shell is user %d, not root. That does not prove that there is no root."
                            .formatted(page.place(index), user)));
        }
    }
}
