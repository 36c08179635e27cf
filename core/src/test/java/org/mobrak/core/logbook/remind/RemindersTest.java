package org.mobrak.core.logbook.remind;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import biweekly.Biweekly;
import biweekly.component.VEvent;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.Sample;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;

class RemindersTest {
    private static final Instant TAKEN = Instant.parse("2026-08-31T20:00:00Z");

    @TempDir
    private Path top;

    private Dossier dossier(String text, String nickname) throws Exception {
        Path folder = top.resolve("own");
        Workspace.create(folder, List.of(Sample.HOME.resolve("catalogue")));
        try (Workspace open = Workspace.open(folder, top.resolve("cache"))) {
            PhoneRecord phone = open.logbook().addPhone(nickname, TAKEN);
            open.logbook().take(phone, TextIntake.pasted(text), TAKEN);
            return open.logbook().dossier(phone);
        }
    }

    @Test
    void aStoredBatteryAndOldPatchesAreDueByTheirOwnDays() throws Exception {
        Dossier dossier = dossier(
                "[ro.product.model]: [QV-31]\n[ro.build.version.security_patch]: [2026-09-05]\nCurrent battery state:\n  level: 48\n  scale: 100\n  voltage: 3900\n",
                "Grandmother's");
        List<Reminder> all = new Reminders(ZoneOffset.UTC).of(dossier, List.of());
        assertThat(all)
                .extracting(Reminder::kind, Reminder::due)
                .as("a month's last day stays in its month")
                .containsExactly(
                        tuple(Reminder.Kind.BATTERY, LocalDate.of(2026, 11, 30)),
                        tuple(Reminder.Kind.PATCH_LEVEL, LocalDate.of(2027, 3, 5)));
        try (Workspace open = Workspace.open(top.resolve("own"), top.resolve("cache"))) {
            open.logbook().take(dossier.phone(), TypedReading.parse("batteryBody=swollen", TAKEN.plusSeconds(60)));
            assertThat(new Reminders(ZoneOffset.UTC).of(open.logbook().dossier(dossier.phone()), List.of()))
                    .as("nobody is told to charge what may burn")
                    .first()
                    .satisfies(one -> assertThat(one.what()).startsWith("Do not charge it"));
        }
        assertThat(all.get(0).isDue(LocalDate.of(2026, 11, 29))).isFalse();
        assertThat(all.get(0).isDue(LocalDate.of(2026, 11, 30))).isTrue();
    }

    /** RFC 5545, read by a library: CRLF, lines of at most 75 octets (§3.1), whole days (§3.6.1), the same UID each time. */
    @Test
    void aCalendarIsReadByALibraryAndItsEntriesStayTheSame() throws Exception {
        List<Reminder> all = new Reminders(ZoneOffset.UTC)
                .of(
                        dossier(
                                "[ro.product.model]: [QV-31]\nCurrent battery state:\n  level: 48\n  scale: 100\n  voltage: 3900\n",
                                "Gr\u00fcn\u202e, \"lang\"; \u6771\u4eac "
                                        .repeat(6)
                                        .strip()),
                        List.of());
        String text = ReminderCalendar.of(all, TAKEN);
        assertThat(text.split("\r\n", -1)).allSatisfy(line -> {
            assertThat(line).doesNotContain("\n", "\r");
            assertThat(line.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(75);
        });
        assertThat(text.replace("\r\n ", ""))
                .contains("DTSTART;VALUE=DATE:20261130")
                .doesNotContain("\u202e");
        VEvent event = Biweekly.parse(text).first().getEvents().get(0);
        assertThat(event.getSummary().getValue()).contains("Gr\u00fcn", "Bring the battery to about half");
        assertThat(event.getDateStart().getValue().hasTime()).isFalse();
        String later = ReminderCalendar.of(all, TAKEN.plusSeconds(86_400));
        assertThat(Optional.of(Biweekly.parse(later)
                        .first()
                        .getEvents()
                        .get(0)
                        .getUid()
                        .getValue()))
                .contains(event.getUid().getValue());
    }

    @Test
    void whatAPersonNotedComesAtItsDayAndALineNobodyUnderstandsIsPassedOver() throws Exception {
        Dossier dossier = dossier("[ro.product.model]: [QV-31]\n", "Quiet");
        try (Workspace open = Workspace.open(top.resolve("own"), top.resolve("cache"))) {
            OwnReminder licence = new OwnReminder(LocalDate.parse("2027-02-01"), " The unlock \n licence ends ");
            OwnReminder.keep(open.logbook(), dossier.phone(), List.of(licence));
            assertThat(new Reminders(ZoneOffset.UTC).all(open.logbook()))
                    .containsExactly(new Reminder(
                            LocalDate.parse("2027-02-01"),
                            "Quiet",
                            Reminder.Kind.OWN,
                            "The unlock licence ends",
                            "The unlock licence ends",
                            "noted by yourself"));
            open.logbook()
                    .putSetting("reminders." + dossier.phone().id(), "soon: this\n2027-13-01 no day\n\n2027-01-02");
            assertThat(OwnReminder.of(open.logbook(), dossier.phone())).isEmpty();
        }
    }
}
