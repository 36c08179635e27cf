package org.mobrak.core.material.reader;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The two ways in which headers and streams are read: fields within bounds, and a feed with a look ahead. */
class FieldsAndFeedTest {
    private static final byte[] BYTES = {
        1, 2, 3, 4, (byte) 0xff, (byte) 0xff, (byte) 0xff, (byte) 0xff, 'a', 'b', 0, 'c'
    };

    @Test
    void fieldsAreReadInBothOrders() throws IOException {
        Fields fields = new Fields(BYTES);
        assertThat(fields.u8(4)).isEqualTo(255);
        assertThat(fields.u16(0)).isEqualTo(0x0201);
        assertThat(fields.u32(0)).isEqualTo(0x04030201L);
        assertThat(fields.u32(4)).isEqualTo(0xffffffffL);
        assertThat(fields.bigEndian32(0)).isEqualTo(0x01020304L);
        assertThat(fields.text(8, 4)).isEqualTo("ab");
        assertThat(fields.hex(0, 4)).isEqualTo("01020304");
        assertThat(fields.has(10, Fields.magic("0063"))).isTrue();
        assertThat(fields.has(11, Fields.magic("6300"))).as("past the end").isFalse();
    }

    @ParameterizedTest
    @ValueSource(ints = {9, 12, Integer.MAX_VALUE, -1})
    void pastTheEndSaysWhereAndHowMany(int at) {
        assertThatThrownBy(() -> new Fields(BYTES).u32(at))
                .isInstanceOf(Broken.class)
                .hasMessage("4 bytes are needed at offset %d, but there are only 12 in all", at);
    }

    @Test
    void aNumberOfSixtyFourBitsOverflows() {
        assertThatThrownBy(() -> new Fields(Fields.magic("00000000000000ff")).u64(0))
                .isInstanceOf(Broken.class)
                .hasMessageContaining("offset 0 overflows 63 bits");
    }

    /** Looks ahead, reads, skips and passes at random: the position and the bytes are those of a plain array. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void aFeedGivesWhatThereIsHoweverItIsRead(long seed) throws IOException {
        Random random = new Random(seed);
        byte[] all = new byte[20_000];
        random.nextBytes(all);
        Feed feed = new Feed(grudging(new ByteArrayInputStream(all), random));
        int at = 0;
        while (at < all.length) {
            int count = 1 + random.nextInt(900);
            int end = Math.min(all.length, at + count);
            switch (random.nextInt(4)) {
                case 0 -> assertThat(feed.head(count)).isEqualTo(Arrays.copyOfRange(all, at, end));
                case 1 -> {
                    assertThat(feed.readNBytes(count)).isEqualTo(Arrays.copyOfRange(all, at, end));
                    at = end;
                }
                case 2 -> {
                    feed.skipTo(end);
                    at = end;
                }
                default -> {
                    feed.pass(end - at);
                    assertThat(feed.readNBytes(end - at)).hasSize(end - at);
                    at = end;
                }
            }
            assertThat(feed.position()).isEqualTo(at);
        }
        assertThat(feed.read()).isEqualTo(-1);
        assertThat(feed.head(10)).isEmpty();
        assertThatThrownBy(() -> feed.skipTo(all.length + 1L))
                .isInstanceOf(Broken.class)
                .hasMessage("it should reach to byte 20001, but ends at byte 20000");
    }

    /** What is passed over beyond the end is not given. */
    @Test
    void passingEndsWithTheBytes() throws IOException {
        Feed feed = new Feed(new ByteArrayInputStream(BYTES));
        feed.pass(100);
        assertThat(feed.readAllBytes()).hasSize(BYTES.length);
    }

    /** Gives less than is asked for, as streams may. */
    private static InputStream grudging(InputStream in, Random random) {
        return new InputStream() {
            @Override
            public int read() throws IOException {
                return in.read();
            }

            @Override
            public int read(byte[] into, int offset, int length) throws IOException {
                return in.read(into, offset, Math.min(length, 1 + random.nextInt(300)));
            }

            @Override
            public long skip(long count) throws IOException {
                return in.skip(Math.min(count, random.nextInt(300)));
            }
        };
    }
}
