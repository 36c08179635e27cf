package org.mobrak.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.channels.ClosedByInterruptException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HexFormat;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Digests in one pass. */
class DigestTest {
    /**
     * The test suite of RFC 1321 (appendix A.5), the examples of FIPS 180-4 (“abc” and the two-block message, as published
     * with the standard's example values), and the check value of CRC-32 (“123456789”, as in the catalogue of parametrised CRCs).
     */
    @ParameterizedTest
    @CsvSource({
        "MD5, '', d41d8cd98f00b204e9800998ecf8427e",
        "MD5, a, 0cc175b9c0f1b6a831c399e269772661",
        "MD5, abc, 900150983cd24fb0d6963f7d28e17f72",
        "MD5, message digest, f96b697d7cb7938d525a2f31aaf161d0",
        "MD5, abcdefghijklmnopqrstuvwxyz, c3fcd3d76192e4007dfb496cca67e13b",
        "MD5, ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789, d174ab98d277d9f5a5611c2c9f419d9f",
        "MD5, 12345678901234567890123456789012345678901234567890123456789012345678901234567890, 57edf4a22be3c955ac49da2e2107b67a",
        "SHA1, abc, a9993e364706816aba3e25717850c26c9cd0d89d",
        "SHA1, abcdbcdecdefdefgefghfghighijhijkijkljklmklmnlmnomnopnopq, 84983e441c3bd26ebaae4aa1f95129e5e54670f1",
        "SHA256, abc, ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad",
        "SHA256, abcdbcdecdefdefgefghfghighijhijkijkljklmklmnlmnomnopnopq, 248d6a61d20638b8e5c026930c3e6039a33ce45964ff2167f6ecedd419db06c1",
        "SHA512, abc, ddaf35a193617abacc417349ae20413112e6fa4e89a97ea20a9eeee64b55d39a2192992a274fc1a836ba3c23a3feebbd454d4423643ce80e2a9ac94fa54ca49f",
        "CRC32, 123456789, cbf43926"
    })
    void publishedVectors(Digest digest, String message, String value) throws IOException {
        assertThat(run(message.getBytes(StandardCharsets.US_ASCII)).digests().of(digest))
                .contains(value);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 4095, 4096, 4097, (1 << 18) - 1, 1 << 18, (1 << 18) + 4095, 5_000_003})
    void severalThreadsAndBlocksGiveWhatThePlatformGivesInOne(int length) throws Exception {
        byte[] bytes = new byte[length];
        for (int i = 0; i < length; i++) {
            bytes[i] = (byte) (i * 7 ^ i >> 11);
        }
        ExecutorService workers = Executors.newFixedThreadPool(3);
        AtomicLong watched = new AtomicLong();
        DigestPass.Result result = new DigestPass(workers, watched::addAndGet)
                .run(new ByteArrayInputStream(bytes), EnumSet.allOf(Digest.class));
        for (Digest digest : EnumSet.complementOf(EnumSet.of(Digest.CRC32))) {
            byte[] whole = MessageDigest.getInstance(digest.label()).digest(bytes);
            assertThat(result.digests().of(digest)).contains(HexFormat.of().formatHex(whole));
        }
        assertThat(result.bytes()).isEqualTo(length).isEqualTo(watched.get());
        workers.shutdown();
    }

    @Test
    void anInterruptEndsIt() {
        Watch cancelling = bytes -> Thread.currentThread().interrupt();
        DigestPass pass = new DigestPass(command -> new Thread(command).start(), cancelling);
        byte[] large = new byte[20 << 20];
        assertThatThrownBy(() -> pass.run(new ByteArrayInputStream(large), Set.of(Digest.SHA256)))
                .isInstanceOf(ClosedByInterruptException.class);
        assertThat(Thread.interrupted()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 3000, 4096, 70_000, 300_000})
    void aTrailerLeavesItselfOut(int before) throws Exception {
        byte[] archive = new byte[before];
        Arrays.fill(archive, (byte) 7);
        byte[] closed = Forge.join(archive, new byte[1]);
        String md5 = HexFormat.of().formatHex(MessageDigest.getInstance("MD5").digest(closed));
        byte[] trailed = Forge.join(closed, Forge.text(md5.toUpperCase(Locale.ROOT) + "  hive pack.tar\n"));
        Trailer.Checked checked = run(trailed).trailer().orElseThrow();
        assertThat(checked.valid()).isTrue();
        assertThat(checked.trailer().name()).isEqualTo("hive pack.tar");
        Trailer.Checked nameless =
                run(Forge.join(closed, Forge.text(md5 + "\n"))).trailer().orElseThrow();
        assertThat(nameless.valid()).isTrue();
        assertThat(nameless.trailer().name()).isEmpty();
        trailed[0] ^= 1;
        assertThat(run(trailed).trailer().orElseThrow().valid()).isFalse();
        assertThat(run(archive).trailer()).isEmpty();
    }

    private static DigestPass.Result run(byte[] bytes) throws IOException {
        return new DigestPass(Runnable::run, Watch.NONE)
                .run(new ByteArrayInputStream(bytes), EnumSet.allOf(Digest.class));
    }
}
