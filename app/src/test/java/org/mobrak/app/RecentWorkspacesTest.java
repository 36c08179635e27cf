package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RecentWorkspacesTest {
    @TempDir
    private Path top;

    private Path workspace(String name) throws Exception {
        return Files.createDirectories(top.resolve(name).resolve("catalogue")).getParent();
    }

    @Test
    void theLastComesFirstOnceAndWhatIsGoneIsForgotten() throws Exception {
        Path data = top.resolve("data");
        RecentWorkspaces recent = new RecentWorkspaces(data);
        assertThat(recent.all()).isEmpty();
        assertThat(recent.last()).isEqualTo(data.resolve("workspace"));
        Path one = workspace("one");
        Path two = workspace("zwei ümläut");
        recent.opened(one);
        recent.opened(two);
        recent.opened(one);
        assertThat(new RecentWorkspaces(data).all()).containsExactly(one, two);
        for (int i = 0; i < 9; i++) {
            recent.opened(workspace("more-" + i));
        }
        assertThat(recent.all()).hasSize(8).startsWith(top.resolve("more-8"));
        Files.delete(top.resolve("more-8/catalogue"));
        assertThat(recent.last()).isEqualTo(top.resolve("more-7"));
        Files.writeString(data.resolve("recent"), "\u0000\n\nno/such/place\n" + two + "\n");
        assertThat(recent.all()).containsExactly(two);
        Files.write(data.resolve("recent"), new byte[] {(byte) 0xff, (byte) 0xfe, 0x41});
        assertThat(recent.all()).as("not text at all").isEmpty();
        assertThat(recent.forDemo()).isEqualTo(data.resolve("demo"));
        Files.createDirectories(recent.forDemo());
        assertThat(recent.forDemo()).isEqualTo(data.resolve("demo-2"));
    }

    @Test
    void textIsReadAndAnythingElseLookedInto() throws Exception {
        assertThat(OpenedWith.isText(Files.writeString(top.resolve("a"), "[ro.product.model]: [KQ-1]")))
                .isTrue();
        assertThat(OpenedWith.isText(Files.write(top.resolve("b"), new byte[] {'P', 'K', 3, 4, 0, 0})))
                .isFalse();
        assertThat(OpenedWith.isText(top.resolve("not there")))
                .as("told by whoever reads it")
                .isTrue();
    }
}
