package org.mobrak.link.bench;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.mobrak.link.Request;

/**
 * The few commands that the shell of a bench phone knows.
 *
 * @param root whether they are given as the highest user
 */
record CableShell(PhoneContents contents, boolean root) {
    static Request.Said notFound(String command) {
        return new Request.Said("sh: " + command + ": not found\n", Request.Said.NOT_FOUND);
    }

    Request.Said run(String command) {
        return said(Arrays.asList(command.strip().split(" +")));
    }

    private Request.Said said(List<String> words) {
        if (words.equals(List.of("id"))) {
            return new Request.Said(root ? "uid=0(root) gid=0(root)\n" : "uid=2000(shell) gid=2000(shell)\n", 0);
        }
        if (words.equals(List.of("pm", "list", "packages"))) {
            return new Request.Said(contents.apps(), 0);
        }
        if (words.size() == 2 && words.get(0).equals("cat")) {
            return contents.file(words.get(1))
                    .map(file -> new Request.Said(new String(file.content(), StandardCharsets.UTF_8), 0))
                    .orElse(new Request.Said("cat: " + words.get(1) + ": No such file\n", 1));
        }
        return notFound(words.get(0));
    }
}
