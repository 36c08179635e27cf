package org.mobrak.link.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.Mode;
import org.mobrak.link.PhoneFile;
import org.mobrak.link.PhoneLink.Progress;
import org.mobrak.link.Reply;
import org.mobrak.link.Request;

/** Through the link only, as whoever asks a real phone would see it. */
class BenchCableTest {
    private static final byte[] PROPERTIES = bytes("a=1\n#b=2\n");

    private final CablePhone phone = phone("orange sticker", Map.of());
    private final BenchCable cable = new BenchCable(List.of(phone));

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static CablePhone phone(String name, Map<Fact, String> so) {
        BenchTruth usual = new BenchTruth(
                name,
                name,
                Map.of(
                        Fact.MODEL,
                        "KQ-T5",
                        Fact.DEVICE,
                        "tern",
                        Fact.USB_DEBUGGING,
                        "on",
                        Fact.ROOT,
                        "none",
                        Fact.RECOVERY,
                        "stock",
                        Fact.LOCK,
                        "locked",
                        Fact.CARD,
                        "yes"),
                Map.of(),
                Nature.usual(),
                List.of());
        return new CablePhone(
                name,
                usual.knowing(so),
                "[ro.product.model]: [KQ-T5]\n",
                "Linux version 3.0.1",
                Map.of(CablePhone.PROPERTIES, PhoneFile.ofSystem(PROPERTIES)));
    }

    private static <T> Reply<T> sent(CablePhone to, Request<T> request) {
        return sent(to, request, progress -> {});
    }

    private static <T> Reply<T> sent(CablePhone to, Request<T> request, Consumer<Progress> told) {
        return new BenchCable(List.of(to))
                .send(to.name(), request, told)
                .toCompletableFuture()
                .join();
    }

    private static <T> T done(CablePhone to, Request<T> request) {
        return ((Reply.Done<T>) sent(to, request)).value();
    }

    private static Reply.Kind failure(Reply<?> reply) {
        Reply.Failed<?> failed = (Reply.Failed<?>) reply;
        assertThat(failed.remedy()).isNotBlank();
        return failed.kind();
    }

    @Test
    void aPhoneThatIsOnAnswersWithRawText() {
        assertThat(cable.seen()).containsExactly("orange sticker");
        assertThat(done(phone, new Request.Properties())).isEqualTo("[ro.product.model]: [KQ-T5]\n[a]: [1]\n");
        assertThat(done(phone, new Request.KernelBanner())).isEqualTo("Linux version 3.0.1");
        assertThat(done(phone, new Request.Battery())).contains("level: 70", "temperature: 220");
        assertThat(done(phone, new Request.Run("id", false)).text()).startsWith("uid=2000");
        assertThat(done(phone, new Request.Run("id", true)).status()).isNotZero();
        CablePhone rooted = phone("rooted", Map.of(Fact.ROOT, "permanent"));
        assertThat(done(rooted, new Request.Run("id", true)).text()).startsWith("uid=0");
    }

    /** What others may write the platform passes over: its published property loader. */
    @Test
    void aPropertyFileIsReadWhenThePhoneStartsAndOnlyIfNobodyElseMayWriteIt() {
        CablePhone rooted = phone("rooted", Map.of(Fact.ROOT, "permanent"));
        byte[] changed = bytes("a=2\n");
        done(rooted, new Request.Push(CablePhone.PROPERTIES, PhoneFile.ofSystem(changed)));
        assertThat(done(rooted, new Request.Pull(CablePhone.PROPERTIES)).content())
                .isEqualTo(changed);
        assertThat(done(rooted, new Request.Properties()))
                .as("not before its restart")
                .contains("[a]: [1]");
        assertThat(done(rooted, new Request.Restart(Mode.RECOVERY))).isEqualTo(Mode.RECOVERY);
        done(rooted, new Request.Restart(Mode.OS));
        assertThat(done(rooted, new Request.Properties())).contains("[a]: [2]");
        done(rooted, new Request.Push(CablePhone.PROPERTIES, new PhoneFile(changed, "0664", "root")));
        done(rooted, new Request.Restart(Mode.DOWNLOAD));
        done(rooted, new Request.Restart(Mode.OS));
        assertThat(done(rooted, new Request.Properties())).doesNotContain("[a]");
    }

    @Test
    void eachFailureIsOfItsKindAndSaysWhatToDo() {
        CablePhone off = phone("off", Map.of());
        off.does(new Stimulus.SwitchOff());
        CablePhone gone = phone("gone", Map.of());
        gone.does(new Stimulus.Plug(Cable.NONE));
        CablePhone charging = phone("charging", Map.of());
        charging.does(new Stimulus.Plug(Cable.CHARGING));
        CablePhone shy = phone("shy", Map.of(Fact.USB_DEBUGGING, "off"));
        CablePhone cardless = phone("cardless", Map.of(Fact.CARD, "no"));
        PhoneFile file = PhoneFile.ofSystem(new byte[9]);
        assertThat(failure(sent(off, new Request.Properties()))).isEqualTo(Reply.Kind.WRONG_MODE);
        assertThat(failure(sent(gone, new Request.Battery()))).isEqualTo(Reply.Kind.NOT_SEEN);
        assertThat(failure(sent(charging, new Request.Battery()))).isEqualTo(Reply.Kind.NOT_SEEN);
        assertThat(failure(sent(shy, new Request.Properties()))).isEqualTo(Reply.Kind.NOT_LET_IN);
        assertThat(failure(sent(phone, new Request.Pull("/nowhere")))).isEqualTo(Reply.Kind.NO_SUCH_FILE);
        assertThat(failure(sent(cardless, new Request.Push("/storage/card/one.zip", file))))
                .isEqualTo(Reply.Kind.NO_SUCH_FILE);
        assertThat(failure(sent(phone, new Request.Push(CablePhone.PROPERTIES, file))))
                .isEqualTo(Reply.Kind.NO_RIGHT);
        assertThat(failure(sent(phone, new Request.Write(PartitionClass.KERNEL, new byte[9]))))
                .as("its OS runs")
                .isEqualTo(Reply.Kind.WRONG_MODE);
        done(phone, new Request.Restart(Mode.FLASH_CONSOLE));
        assertThat(failure(sent(phone, new Request.Write(PartitionClass.KERNEL, new byte[9]))))
                .as("it is locked")
                .isEqualTo(Reply.Kind.REFUSED);
        done(phone, new Request.Restart(Mode.RECOVERY));
        assertThat(failure(sent(phone, new Request.Sideload(new byte[9])))).isEqualTo(Reply.Kind.REFUSED);
    }

    private static byte[] image(String file, PartitionClass where, String device) throws Exception {
        NeededFile wanted = new NeededFile(
                file,
                "recovery",
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(where),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Map.of());
        return MadeFiles.of(wanted, device);
    }

    @Test
    void whatIsWrittenIsWhatTheBytesSay() throws Exception {
        byte[] right = image("recovery.img", PartitionClass.RECOVERY, "tern");
        byte[] foreign = image("recovery.img", PartitionClass.RECOVERY, "finch");
        CablePhone open = phone("open", Map.of(Fact.LOCK, "unlocked"));
        done(open, new Request.Restart(Mode.FLASH_CONSOLE));
        assertThat(done(open, new Request.Write(PartitionClass.RECOVERY, right)))
                .isEqualTo(right.length);
        assertThat(done(open, new Request.Restart(Mode.RECOVERY))).isEqualTo(Mode.RECOVERY);
        byte[] zip = image("system.zip", PartitionClass.SYSTEM, "tern");
        assertThat(done(open, new Request.Sideload(zip))).contains("installed");
        assertThat(failure(sent(open, new Request.Sideload(MadeFiles.damaged(zip)))))
                .isEqualTo(Reply.Kind.REFUSED);
        done(open, new Request.Restart(Mode.FLASH_CONSOLE));
        done(open, new Request.Write(PartitionClass.RECOVERY, foreign));
        assertThat(failure(sent(open, new Request.Restart(Mode.RECOVERY))))
                .as("the tool was content, and it does not run")
                .isEqualTo(Reply.Kind.REFUSED);
    }

    @Test
    void aCableThatIsPulledInTheMiddleLeavesHalfOfIt() throws Exception {
        byte[] image = image("boot.img", PartitionClass.KERNEL, "tern");
        CablePhone open = phone("open", Map.of(Fact.LOCK, "unlocked"));
        done(open, new Request.Restart(Mode.FLASH_CONSOLE));
        List<Long> told = new ArrayList<>();
        Reply<Long> reply = sent(open, new Request.Write(PartitionClass.KERNEL, image), progress -> {
            told.add(progress.done());
            if (told.size() == 3) {
                open.does(new Stimulus.Plug(Cable.NONE));
            }
        });
        assertThat(failure(reply)).isEqualTo(Reply.Kind.BROKEN_OFF);
        assertThat(told).hasSize(3).isSorted();
        open.does(new Stimulus.Plug(Cable.DATA));
        assertThat(open.does(new Stimulus.Restart(Mode.OS)).state().mode()).isEqualTo(Mode.LOOP);
    }

    @Test
    void aSlowPhoneHoldsNobodyAndSaysThatItIsBusy() throws Exception {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch goOn = new CountDownLatch(1);
        CompletableFuture<Reply<String>> slow = cable.send(
                        "orange sticker", new Request.Install("one.app", new byte[1000]), progress -> {
                            begun.countDown();
                            await(goOn);
                        })
                .toCompletableFuture();
        await(begun);
        assertThat(slow).isNotDone();
        assertThat(failure(sentOver(new Request.Battery()))).isEqualTo(Reply.Kind.BUSY);
        goOn.countDown();
        assertThat(slow.get(10, TimeUnit.SECONDS)).isInstanceOf(Reply.Done.class);
        assertThat(done(phone, new Request.Run("pm list packages", false)).text())
                .isEqualTo("package:one.app\n");
    }

    private Reply<String> sentOver(Request<String> request) {
        return cable.send("orange sticker", request).toCompletableFuture().join();
    }

    private static void await(CountDownLatch latch) {
        try {
            assertThat(latch.await(10, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException stopped) {
            throw new IllegalStateException(stopped);
        }
    }
}
