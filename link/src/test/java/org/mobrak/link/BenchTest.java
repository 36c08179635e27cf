package org.mobrak.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.mobrak.link.PhoneLink.Question;

class BenchTest {
    private static final Bench BENCH = new Bench(List.of(
            new BenchPhone(
                    "orange sticker", BenchPhone.Mode.OS, "[ro.product.model]: [KQ-T5]\n", "Linux version 3.0.1"),
            new BenchPhone("grey sock", BenchPhone.Mode.OFF, "", "")));

    @Test
    void aPhoneThatIsOnAnswersWithRawText() {
        assertThat(BENCH.seen()).containsExactly("orange sticker", "grey sock");
        assertThat(BENCH.ask("orange sticker", Question.PROPERTIES))
                .isEqualTo(new Answer.Text("[ro.product.model]: [KQ-T5]\n"));
        assertThat(BENCH.ask("orange sticker", Question.KERNEL_BANNER))
                .isEqualTo(new Answer.Text("Linux version 3.0.1"));
    }

    @Test
    void onePhoneThatIsOffOrGoneSaysNothingAndTheRemedyIsTold() {
        assertThat(BENCH.ask("grey sock", Question.PROPERTIES))
                .isInstanceOfSatisfying(
                        Answer.Silence.class,
                        silence -> assertThat(silence.remedy()).contains("Switch it on"));
        assertThat(BENCH.ask("lost", Question.PROPERTIES))
                .isInstanceOfSatisfying(
                        Answer.Silence.class,
                        silence -> assertThat(silence.remedy()).contains("Plug it in"));
    }
}
