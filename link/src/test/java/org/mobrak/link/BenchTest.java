package org.mobrak.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.mobrak.link.PhoneLink.Question;

class BenchTest {
    private final Bench bench = new Bench(List.of(
            new BenchPhone(
                    "orange sticker",
                    BenchPhone.Mode.OS,
                    "[ro.product.model]: [KQ-T5]\n",
                    "Linux version 3.0.1",
                    true,
                    Map.of(
                            BenchPhone.PROPERTIES,
                            new PhoneFile("a=1\n#b=2\n".getBytes(StandardCharsets.UTF_8), "0644", "root"))),
            new BenchPhone("grey sock", BenchPhone.Mode.OFF, "", "", false, Map.of())));

    @Test
    void aPhoneThatIsOnAnswersWithRawText() {
        assertThat(bench.seen()).containsExactly("orange sticker", "grey sock");
        assertThat(bench.ask("orange sticker", Question.PROPERTIES))
                .isEqualTo(new Answer.Text("[ro.product.model]: [KQ-T5]\n[a]: [1]\n"));
        assertThat(bench.ask("orange sticker", Question.KERNEL_BANNER))
                .isEqualTo(new Answer.Text("Linux version 3.0.1"));
    }

    @Test
    void onePhoneThatIsOffOrGoneSaysNothingAndTheRemedyIsTold() {
        assertThat(bench.ask("grey sock", Question.PROPERTIES))
                .isInstanceOfSatisfying(
                        Answer.Silence.class,
                        silence -> assertThat(silence.remedy()).contains("Switch it on"));
        assertThat(bench.ask("lost", Question.PROPERTIES))
                .isInstanceOfSatisfying(
                        Answer.Silence.class,
                        silence -> assertThat(silence.remedy()).contains("Plug it in"));
    }

    private <T> Reply<T> sent(String phone, Request<T> request) {
        return bench.send(phone, request).toCompletableFuture().join();
    }

    private static Reply.Kind failure(Reply<?> reply) {
        return ((Reply.Failed<?>) reply).kind();
    }

    /** What others may write the platform passes over: its published property loader. */
    @Test
    void aPropertyFileIsReadWhenThePhoneStartsAndOnlyIfNobodyElseMayWriteIt() {
        byte[] changed = "a=2\n".getBytes(StandardCharsets.UTF_8);
        sent("orange sticker", new Request.Push(BenchPhone.PROPERTIES, PhoneFile.ofSystem(changed)));
        assertThat(((Reply.Done<PhoneFile>) sent("orange sticker", new Request.Pull(BenchPhone.PROPERTIES)))
                        .value()
                        .content())
                .isEqualTo(changed);
        assertThat(properties()).as("not before its restart").contains("[a]: [1]");
        sent("orange sticker", new Request.Restart());
        assertThat(properties()).contains("[a]: [2]");
        sent("orange sticker", new Request.Push(BenchPhone.PROPERTIES, new PhoneFile(changed, "0664", "root")));
        sent("orange sticker", new Request.Restart());
        assertThat(properties()).doesNotContain("[a]");
    }

    private String properties() {
        return ((Answer.Text) bench.ask("orange sticker", Question.PROPERTIES)).text();
    }

    @Test
    void eachFailureIsOfItsKindAndSaysWhatToDo() {
        assertThat(failure(sent("lost", new Request.Restart()))).isEqualTo(Reply.Kind.NOT_SEEN);
        assertThat(failure(sent("grey sock", new Request.Restart()))).isEqualTo(Reply.Kind.WRONG_MODE);
        assertThat(failure(sent("orange sticker", new Request.Pull("/nowhere"))))
                .isEqualTo(Reply.Kind.NO_SUCH_FILE);
        Bench locked = new Bench(List.of(new BenchPhone("locked", BenchPhone.Mode.OS, "", "", false, Map.of())));
        Reply<PhoneFile> refused = locked.send(
                        "locked", new Request.Push(BenchPhone.PROPERTIES, PhoneFile.ofSystem(new byte[1])))
                .toCompletableFuture()
                .join();
        assertThat(failure(refused)).isEqualTo(Reply.Kind.NO_RIGHT);
        assertThat(((Reply.Failed<?>) refused).remedy()).contains("Root it first");
    }
}
