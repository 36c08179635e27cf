package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.mend.patch.PropertyChange;
import org.mobrak.link.PhoneFile;
import org.mobrak.link.PhoneLink;
import org.mobrak.link.Request;
import org.mobrak.link.bench.BenchCable;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.CablePhone;
import org.mobrak.link.bench.Nature;

/** A property file taken off a phone and brought back. */
class CablePatchTest {
    private static final byte[] BEFORE = bytes("ro.a=1\n");
    private static final byte[] AFTER = bytes("ro.a=0\n");

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static PhoneLink bench(boolean rooted) {
        Map<Fact, String> truth =
                Map.of(Fact.MODEL, "KQ-T5", Fact.USB_DEBUGGING, "on", Fact.ROOT, rooted ? "permanent" : "none");
        return new BenchCable(List.of(new CablePhone(
                "one",
                new BenchTruth("one", "one", truth, Map.of(), Nature.usual(), List.of()),
                "",
                "",
                Map.of(CablePhone.PROPERTIES, PhoneFile.ofSystem(BEFORE)))));
    }

    @Test
    void itIsProvedByWhatThePhoneSaysAfterItsRestart() throws Exception {
        CablePatch patch = new CablePatch(bench(true), "one");
        assertThat(patch.pull()).isEqualTo(BEFORE);
        assertThat(patch.bring(BEFORE, AFTER, PropertyChange.parse("ro.a=0", "1")))
                .contains("the phone says ro.a=0");
        assertThat(patch.pull()).isEqualTo(AFTER);
        assertThatThrownBy(() -> patch.bring(AFTER, BEFORE, PropertyChange.parse("ro.a=7", "0")))
                .as("the file does not say what was promised")
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("Look at rights and owner");
    }

    @Test
    void aFileThatIsAnotherOneByNowIsNotOverwritten() throws Exception {
        PhoneLink link = bench(true);
        CablePatch patch = new CablePatch(link, "one");
        byte[] others = bytes("ro.a=1\nro.b=2\n");
        link.send("one", new Request.Push(CablePhone.PROPERTIES, PhoneFile.ofSystem(others)))
                .toCompletableFuture()
                .join();
        assertThatThrownBy(() -> patch.bring(BEFORE, AFTER, PropertyChange.parse("ro.a=0", "1")))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("another one by now");
        assertThat(patch.pull()).isEqualTo(others);
        assertThatThrownBy(() ->
                        new CablePatch(bench(false), "one").bring(BEFORE, AFTER, PropertyChange.parse("ro.a=0", "1")))
                .hasMessageContaining("Root it first");
    }
}
