package org.mobrak.core.material.reader;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The calls in a recovery's update script, inner before outer, whatever stands between them. The language is that of the
 * platform's open source: {@code name(argument, …)} with texts in quotation marks and remarks behind {@code #}.
 */
final class ScriptCalls {
    private static final Pattern TOKEN = Pattern.compile(
            "#[^\\n]*|\"(?<text>[^\"\\\\\\n]*+(?:\\\\[^\\n][^\"\\\\\\n]*+)*+)\"|(?<word>[A-Za-z0-9_:/.\\-=]+)|(?<sign>[(),])",
            Pattern.DOTALL);
    /** Calls within calls; sound scripts have three or four. */
    private static final int MOST_OPEN = 100;

    private ScriptCalls() {}

    /**
     * A call.
     *
     * @param arguments each text; of an argument that is itself a call its first argument, since that names the file
     */
    record Call(String name, List<String> arguments) {
        /** An argument by its number from 0; empty text where there are fewer. */
        String argument(int number) {
            return number < arguments.size() ? arguments.get(number) : "";
        }
    }

    private static final class Open {
        private final String name;
        private final List<String> arguments = new ArrayList<>();

        Open(String name) {
            this.name = name;
        }
    }

    static List<Call> in(String script) {
        List<Call> calls = new ArrayList<>();
        Deque<Open> open = new ArrayDeque<>();
        String before = "";
        Matcher token = TOKEN.matcher(script);
        while (token.find()) {
            String sign = token.group("sign");
            if ("(".equals(sign) && open.size() < MOST_OPEN) {
                dropLast(open, before);
                open.push(new Open(before));
                before = "";
            } else if (")".equals(sign) && !open.isEmpty()) {
                before = close(open, calls);
            } else {
                before = argument(token, open);
            }
        }
        return calls;
    }

    /** The name of a call was first taken for an argument of the call around it. */
    private static void dropLast(Deque<Open> open, String name) {
        if (!open.isEmpty() && !name.isEmpty()) {
            List<String> arguments = open.peek().arguments;
            arguments.remove(arguments.size() - 1);
        }
    }

    private static String close(Deque<Open> open, List<Call> calls) {
        Open done = open.pop();
        Call call = new Call(done.name, List.copyOf(done.arguments));
        calls.add(call);
        if (!open.isEmpty()) {
            open.peek().arguments.add(call.argument(0));
        }
        return "";
    }

    private static String argument(Matcher token, Deque<Open> open) {
        boolean isWord = token.group("word") != null;
        String text = isWord ? token.group("word") : token.group("text");
        if (text == null) {
            return "";
        }
        if (!open.isEmpty()) {
            open.peek().arguments.add(text);
        }
        return isWord ? text : "";
    }
}
