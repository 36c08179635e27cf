package org.mobrak.core.learn.reading;

import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Whether a sentence tells something to do: as an order, as a story, to “you”, or as what is done. */
final class Acts {
    private static final Set<String> ORDERS = Set.of(
            "accept",
            "activate",
            "allow",
            "answer",
            "apply",
            "begin",
            "boot",
            "burn",
            "cancel",
            "change",
            "charge",
            "check",
            "choose",
            "clear",
            "click",
            "close",
            "compare",
            "confirm",
            "connect",
            "copy",
            "deactivate",
            "delete",
            "detach",
            "disable",
            "disconnect",
            "double-click",
            "download",
            "drag",
            "drop",
            "edit",
            "eject",
            "enable",
            "enter",
            "erase",
            "execute",
            "extract",
            "factory",
            "fetch",
            "fill",
            "find",
            "flash",
            "flip",
            "follow",
            "format",
            "get",
            "give",
            "go",
            "grant",
            "hit",
            "hold",
            "insert",
            "install",
            "keep",
            "launch",
            "leave",
            "let",
            "load",
            "look",
            "make",
            "mark",
            "mount",
            "move",
            "open",
            "paste",
            "pick",
            "plug",
            "power",
            "press",
            "pull",
            "push",
            "put",
            "read",
            "reboot",
            "release",
            "remove",
            "rename",
            "reset",
            "restart",
            "restore",
            "return",
            "run",
            "save",
            "say",
            "scroll",
            "select",
            "send",
            "set",
            "sideload",
            "slide",
            "start",
            "stop",
            "swipe",
            "switch",
            "take",
            "tap",
            "tell",
            "tick",
            "toggle",
            "touch",
            "transfer",
            "turn",
            "type",
            "uncheck",
            "uninstall",
            "unlock",
            "unmount",
            "unpack",
            "unplug",
            "untick",
            "unzip",
            "update",
            "use",
            "verify",
            "wait",
            "wake",
            "wipe",
            "write",
            "liberate",
            "enjoy",
            "reinsert",
            "replug",
            "reconnect",
            "navigate",
            "root",
            "backup",
            "back",
            "log",
            "dial",
            "register",
            "request",
            "submit",
            "count",
            "stir",
            "marry",
            "unhook",
            "attach",
            "control",
            "prove",
            "test",
            "first",
            "off",
            "smash",
            "add",
            "sign",
            "bring",
            "shut",
            "unclip",
            "straight",
            "conect");
    private static final Pattern LEAD = Pattern.compile(
            "^(?:[\"'(*>.…-]+|(?:a(?=: )|answer(?=: )|ok|okay|so|and|then|now|next|first(?:ly)?|second(?:ly)?|third(?:ly)?|finally|afterwards?|after that|after this|again|also|just|please|simply|always|here|there|at last|lastly|right|well|ah|from here|from there|at this point|once more|immediately|at once|straight|still|instead|again|directly|quickly|carefully|step \\w+|part \\w+|with those things in place|once restarted|of course|if you haven't(?: yet)?|when (?:it|that|this) (?:is|has) (?:done|finished)|and now|so first|only then|in there|behind it|you (?:just|now|then)|on (?:the|your) (?:laptop|computer|pc|phone)|in (?:the )?[\\w' -]{3,24}|at (?:the )?[\\w' -]{3,20}|after [\\w' -]{3,30}|with [\\w' -]{3,30}|for [\\w' -]{3,30}|when [\\w' -]{3,40}|once [\\w' -]{3,40}|without [\\w' -]{3,40}|from [\\w' -]{3,24})\\b[\\s,:.-]*){1,12}");
    private static final Pattern PERSON = Pattern.compile(
            "\\b(?:you|we|i|he|she|one|u)(?:'ll|'d|'ve)? (?:(?:now|then|just|only|first|next|also|have|had|must|should|can|need|will|would|to|simply|again|always|only|do|did|want|again|straight|went|get|have to|keep|kept) ){0,3}(accept|boot|cancel|change|check|choose|chose|click|clicked|close|compare|confirm|connect|connected|copied|copy|do|downloaded|download|dragged|enter|entered|flash|flashed|flip|format|formatted|get|give|go|grant|held|hold|install|installed|launch|let|load|loaded|look|make|move|moved|open|opened|picked|pick|plug|plugged|power|powered|press|pressed|pulled|pull|pushed|push|put|ran|reboot|rebooted|restart|restarted|run|select|selected|send|sent|set|start|started|swipe|swiped|switch|switched|take|tap|tapped|tick|ticked|took|touch|turn|turned|type|typed|unlock|unpack|unpacked|unplug|unplugged|unzip|use|used|wait|waited|went|wipe|wiped|write|wrote|put|paste|connect|unhook|declined|dump|hit|read|log|boots?|starts?)\\b");
    private static final Pattern PASSIVE = Pattern.compile(
            "\\b(?:is|are|was|were|gets?|got|will be|must be|has to be|should be|to be|being) (?:then |now |first |again |simply |also )?(?:accepted|booted|cancelled|chosen|clicked|confirmed|connected|copied|downloaded|dragged|entered|flashed|formatted|granted|held|installed|launched|loaded|moved|opened|picked|plugged|powered|pressed|pulled|pushed|put|rebooted|restarted|run|selected|sent|set|started|swiped|switched|taken|tapped|ticked|touched|turned|typed|unpacked|unplugged|unzipped|wiped|written|answered|extracted|unlocked|patched)\\b");
    private static final Pattern PAST = Pattern.compile(
            "^(?:booted|chose|clicked|connected|copied|did|downloaded|flashed|formatted|held|installed|let|looked|made|opened|picked|plugged|pressed|pulled|pushed|put|ran|rebooted|restarted|returned|selected|started|switched|tapped|ticked|took|turned|typed|unpacked|unplugged|used|waited|went|wiped|wrote|filled|unzipped|did it|did)\\b");
    private static final Pattern NOT = Pattern.compile(
            "^\\W*(?:but |and |so |then |now |please |whatever you do,? |for heaven's sake,? |after that |here ){0,12}(?:do(?:n't| not)|dont|never|not now|not|no|don't ever|you (?:do not|don't|must not|needn't|don't need to|do not need)|without|avoid|nobody)\\b");
    static final Pattern NEVER = Pattern.compile("\\b(?:not|never|don't|dont|do not)\\b");
    private static final Pattern FRAGMENT = Pattern.compile(
            "^(?:off|cable in|phone off|battery out|plug in|usb|power (?:down|off|on)|vol(?:ume)?\\b.*|settings\\b.*[>→].*|.{0,30}(?:->|→|>) .*|restart|reboot\\b.*|wipe\\b.*|start\\b.*|write\\b.*|go\\b.*|done|phone (?:completely )?off.*|cover (?:off|open).*|out with.*|dl mode .*|in .{2,24}: .*|recovery: .*|right cable in.*)$");

    private Acts() {}

    static boolean isAct(Sentence sentence) {
        String lower = sentence.lower().strip();
        if (lower.length() < 3 || isNegated(sentence) || lower.endsWith("?") && !lower.contains(". ")) {
            return false;
        }
        return begins(lower)
                || PERSON.matcher(lower).find()
                || PASSIVE.matcher(lower).find()
                || hasOrderInside(lower);
    }

    /** It begins as an order or a note of one does. */
    static boolean begins(String lower) {
        Matcher lead = LEAD.matcher(lower);
        String rest = lead.find() ? lower.substring(lead.end()) : lower;
        return isOrder(rest)
                || isOrder(lower)
                || PAST.matcher(rest).find()
                || TYPED.matcher(lower).find()
                || isOrderSomewhere(lower)
                || FRAGMENT.matcher(lower).matches();
    }

    /** A command line. */
    private static final Pattern TYPED = Pattern.compile(
            "^[\"'`]?[a-z][a-z0-9_]{1,14} (?:(?:flash|oem|sideload) \\w|(?:write|boot|put|push|send|erase) (?:boot\\b|recovery\\b|system\\b|kernel\\b|\\S+\\.\\w{2,4}\\b)|(?:reboot|restart)(?: (?:to |into )?(?:(?:boot)?loader|recovery|console)\\b|\\W*$)|unlock[- ]\\w)");

    private static final Pattern SOMEWHERE = Pattern.compile("^(?:in|on|at|from) (?:the |your |its |this )?");
    private static final int WORDS_OF_A_PLACE = 3;

    /** “In the recovery install that.zip.” */
    private static boolean isOrderSomewhere(String lower) {
        Matcher where = SOMEWHERE.matcher(lower);
        int at = where.find() ? where.end() : -1;
        for (int i = 0; at >= 0 && i < WORDS_OF_A_PLACE; i++) {
            int blank = lower.indexOf(' ', at);
            at = blank < 0 ? -1 : blank + 1;
            if (at > 0 && isOrder(lower.substring(at))) {
                return true;
            }
        }
        return false;
    }

    private static boolean isOrder(String text) {
        int end = 0;
        while (end < text.length() && (Character.isLetter(text.charAt(end)) || text.charAt(end) == '-')) {
            end++;
        }
        return ORDERS.contains(text.substring(0, end))
                && !text.matches(
                        "^(?:open|root|first|back|off|check|update|set|test|control|return|read|look|use|make|let|leave|power|start|restore|backup|change|factory|get|keep)(?:ed|s)?(?:\\W+(?:is|are|was|has|mode|i have|of all|of the|on the web|here if|means)\\b.*|\\W*$)");
    }

    /** “When the logo shows, let go”, “If it asks, choose yes”. */
    private static boolean hasOrderInside(String lower) {
        int from = 0;
        for (int comma = lower.indexOf(", "); comma >= 0 && comma < 160; comma = lower.indexOf(", ", from)) {
            from = comma + 2;
            String rest = lower.substring(from).replaceFirst("^(?:and |then |now |just |please |only ){1,12}", "");
            if (isOrder(rest) && !NOT.matcher(rest).find()) {
                return true;
            }
        }
        return false;
    }

    static boolean isVerb(String word) {
        return ORDERS.contains(word);
    }

    static boolean isNegated(Sentence sentence) {
        return NOT.matcher(sentence.lower()).find();
    }
}
