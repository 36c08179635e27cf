package org.mobrak.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TruthTest {

    /**
     * The strong tables of S. C. Kleene, Introduction to Metamathematics (1952), §64, with t, f and u written as YES, NO and
     * UNKNOWN; written down from memory.
     */
    @ParameterizedTest
    @CsvSource({
        "YES, YES, YES, YES",
        "YES, NO, NO, YES",
        "YES, UNKNOWN, UNKNOWN, YES",
        "NO, YES, NO, YES",
        "NO, NO, NO, NO",
        "NO, UNKNOWN, NO, UNKNOWN",
        "UNKNOWN, YES, UNKNOWN, YES",
        "UNKNOWN, NO, NO, UNKNOWN",
        "UNKNOWN, UNKNOWN, UNKNOWN, UNKNOWN"
    })
    void joinsLikeKleenesStrongTables(Truth a, Truth b, Truth and, Truth or) {
        assertThat(a.and(b)).isEqualTo(and);
        assertThat(a.or(b)).isEqualTo(or);
    }

    @ParameterizedTest
    @CsvSource({"YES, NO", "NO, YES", "UNKNOWN, UNKNOWN"})
    void turnsLikeKleenesStrongTable(Truth a, Truth not) {
        assertThat(a.not()).isEqualTo(not);
    }
}
