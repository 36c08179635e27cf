package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Step;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.history.JobPair;
import org.mobrak.core.logbook.history.Tally;
import org.mobrak.core.logbook.history.Timeline;
import org.mobrak.core.logbook.remind.Reminder;
import org.mobrak.core.logbook.search.Hit;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Plan;

/** The past without a window: counted, looked back on, held against each other and chosen from. */
class HistorySessionTest extends DemoSessions {
    private static final Path CLUB = HOME.resolve("demo/friend/club-year.zip");

    /** Waits until something was told after it was asked for. */
    private <T> T told(Session session, Observed<T> where, Runnable asking) throws Exception {
        CountDownLatch came = new CountDownLatch(1);
        drawing.submit(() -> {
                    where.addListener((source, before, now) -> came.countDown());
                    asking.run();
                })
                .get();
        assertThat(came.await(30, TimeUnit.SECONDS)).isTrue();
        return where.get();
    }

    private Session withTheYear() throws Exception {
        Session session = openDemo("Hive 3");
        does(session, one -> one.logbook().lookAt(CLUB));
        does(session, one -> one.logbook().take(Set.of()));
        return session;
    }

    @Test
    void whatTheYearComesToIsCountedAndChangesWhatIsExpectedOfAPlan() throws Exception {
        try (Session session = openDemo("Hive 3")) {
            does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "stock"));
            does(session, one -> one.wish(Goal.RECOVERY));
            Plan before = desk(session).answer().plans().get(0);
            does(session, one -> one.logbook().lookAt(CLUB));
            does(session, one -> one.logbook().take(Set.of()));
            Tally tally = told(session, session.history().numbers(), session.history()::count)
                    .orElseThrow();
            assertThat(tally.jobs()).isEqualTo(session.snapshot().get().past().size());
            assertThat(tally.families()).allSatisfy(one -> {
                assertThat(one.evidence().lowerBound())
                        .isLessThanOrEqualTo(one.evidence().rate());
                assertThat(one.evidence().upperBound())
                        .isGreaterThanOrEqualTo(one.evidence().rate());
            });
            Plan after = desk(session).answer().plans().stream()
                    .filter(plan -> plan.title().equals(before.title()))
                    .findFirst()
                    .orElseThrow();
            Tally.Taken taken = tally.times().stream()
                    .filter(one -> one.route().equals(after.routes().get(0).name()))
                    .findFirst()
                    .orElseThrow();
            assertThat(taken.own().counts()).isTrue();
            assertThat(after.cost().minutes())
                    .as("drawn towards what it took")
                    .isCloseTo(before.cost().minutes() + taken.learnt() - taken.said(), within(0.01));
        }
    }

    @Test
    void aLifeIsLookedBackOnAndWhatWasKnownThenIsTold() throws Exception {
        try (Session session = withTheYear()) {
            List<Timeline> lives = told(session, session.history().lives(), session.history()::lookBack);
            assertThat(lives).hasSize(27);
            Timeline pond = lives.stream()
                    .filter(life -> life.jobs().size() > 2)
                    .findFirst()
                    .orElseThrow();
            Instant end = pond.jobs().get(0).until().orElseThrow();
            HistoryDesk.Then then = told(
                            session,
                            session.history().then(),
                            () -> session.history().recall(pond.phone(), end))
                    .orElseThrow();
            assertThat(then.phone()).isEqualTo(pond.phone());
            assertThat(then.known()).containsKey(Fact.MODEL);
            HistoryDesk.Then before = told(
                            session,
                            session.history().then(),
                            () -> session.history()
                                    .recall(
                                            pond.phone(),
                                            pond.marks().get(0).at().minusSeconds(1)))
                    .orElseThrow();
            assertThat(before.known()).as("before anything was read").isEmpty();
        }
    }

    @Test
    void thePastIsChosenFromByPhoneStateKindEndAndDay() throws Exception {
        try (Session session = withTheYear()) {
            Snapshot now = session.snapshot().get();
            JobFilter none = JobFilter.none();
            assertThat(none.isNone()).isTrue();
            assertThat(shown(now, none)).isEqualTo(now.past());
            PhoneRecord phone = now.past().get(0).phone();
            JobFilter ofPhone = with(Optional.of(phone.id()), Optional.empty(), Optional.empty(), Optional.empty());
            assertThat(shown(now, ofPhone))
                    .isNotEmpty()
                    .allMatch(past -> past.phone().equals(phone));
            JobFilter failed =
                    with(Optional.empty(), Optional.empty(), Optional.of(Event.End.FAILED), Optional.empty());
            assertThat(shown(now, failed))
                    .isNotEmpty()
                    .allMatch(past -> past.job().end().orElseThrow().end() == Event.End.FAILED);
            JobFilter family = with(Optional.empty(), Optional.of("exploit app"), Optional.empty(), Optional.empty());
            assertThat(shown(now, family))
                    .isNotEmpty()
                    .allMatch(past -> past.families().contains("exploit app"));
            LocalDate day = LocalDate.parse("2026-06-01");
            JobFilter since = new JobFilter(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.of(day),
                    Optional.of(day.plusMonths(1)));
            assertThat(shown(now, since)).isNotEmpty().allMatch(past -> {
                LocalDate ended =
                        LocalDate.ofInstant(past.job().end().orElseThrow().at(), ZoneOffset.UTC);
                return !ended.isBefore(day) && !ended.isAfter(day.plusMonths(1));
            });
            JobFilter rooted =
                    with(Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(DrawerEntry.Mark.ROOTED));
            assertThat(shown(now, rooted))
                    .isNotEmpty()
                    .allMatch(past -> now.drawer().stream()
                            .filter(entry -> entry.phone().equals(past.phone()))
                            .anyMatch(entry -> entry.marks().contains(DrawerEntry.Mark.ROOTED)));
            Hit hit = new Hit(phone.id(), phone.nickname(), Hit.Kind.EVENT, "2026-06-10T10:00:00Z", "lamp");
            assertThat(since.shows(hit, now, ZoneOffset.UTC)).isTrue();
            assertThat(ofPhone.shows(hit, now, ZoneOffset.UTC)).isTrue();
            assertThat(with(Optional.of(-1L), Optional.empty(), Optional.empty(), Optional.empty())
                            .shows(hit, now, ZoneOffset.UTC))
                    .isFalse();
        }
    }

    private static JobFilter with(
            Optional<Long> phone, Optional<String> family, Optional<Event.End> end, Optional<DrawerEntry.Mark> state) {
        return new JobFilter(phone, state, family, end, Optional.empty(), Optional.empty());
    }

    private static List<Snapshot.PastJob> shown(Snapshot now, JobFilter filter) {
        return now.past().stream()
                .filter(past -> filter.shows(past, now, ZoneOffset.UTC))
                .toList();
    }

    @Test
    void twoJobsAreHeldAgainstEachOther() throws Exception {
        try (Session session = withTheYear()) {
            List<Snapshot.PastJob> past = session.snapshot().get().past();
            JobPair pair = told(
                            session,
                            session.history().pair(),
                            () -> session.history().hold(past.get(0), past.get(1)))
                    .orElseThrow();
            assertThat(pair.one()).isEqualTo(past.get(0).job());
            assertThat(pair.rows()).extracting(JobPair.Row::about).contains(JobPair.About.SETTING, JobPair.About.STEP);
        }
    }

    /** What a file asks for besides, and which file was taken, stays with the job, whatever lies on the shelf later. */
    @Test
    void whatFilesAskForAndWhichWereTakenIsKeptWithTheJob() throws Exception {
        try (Session session = openDemo("Hive 3")) {
            does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "stock"));
            does(session, one -> one.wish(Goal.ROOT));
            Plan package412 = desk(session).answer().plans().stream()
                    .filter(plan -> plan.title().equals("Root package in download mode"))
                    .findFirst()
                    .orElseThrow();
            does(session, one -> one.job().start(package412));
            Path file = desk(session).stock().kept().get(0).path().resolveSibling("lantern2-root-412.tar.md5");
            does(session, one -> one.files().lookInto(List.of(file)));
            assertThat(job(session).state().demands())
                    .extracting(demand -> demand.because())
                    .containsExactly("lantern2-root-412.tar.md5");
            assertThat(job(session)
                            .sheet()
                            .asking(Fact.BATTERY_PERCENT)
                            .orElseThrow()
                            .title())
                    .isEqualTo("Battery percent: at least 90");
            Step fetch = job(session).sheet().steps().stream()
                    .filter(step -> step.file()
                            .filter(needed -> needed.name().startsWith("lantern2-root"))
                            .isPresent())
                    .findFirst()
                    .orElseThrow();
            does(session, one -> one.job().tick(fetch, ""));
            assertThat(job(session).state().files()).containsOnlyKeys(fetch.id());
            assertThat(job(session).state().files().get(fetch.id()).sha256()).hasSize(64);
            does(
                    session,
                    one -> one.files()
                            .putAway(desk(one).stock().kept().stream()
                                    .filter(kept -> kept.path().equals(file))
                                    .findFirst()
                                    .orElseThrow()));
            assertThat(job(session)
                            .sheet()
                            .asking(Fact.BATTERY_PERCENT)
                            .orElseThrow()
                            .title())
                    .as("once asked, it stays")
                    .isEqualTo("Battery percent: at least 90");
        }
    }

    /** A reason is good for what was known when it was given. */
    @Test
    void aFileThatTurnsUpWrongAfterItWasPassedKeepsTheWorkFromBeginning() throws Exception {
        try (Session session = openDemo("Hive 3")) {
            does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "stock"));
            does(session, one -> one.wish(Goal.RECOVERY));
            Path wrong = desk(session).stock().kept().stream()
                    .map(kept -> kept.path())
                    .filter(path -> path.endsWith("key-recovery-l210.tar"))
                    .findFirst()
                    .orElseThrow();
            does(
                    session,
                    one -> one.files()
                            .putAway(desk(one).stock().kept().stream()
                                    .filter(kept -> kept.path().equals(wrong))
                                    .findFirst()
                                    .orElseThrow()));
            does(session, one -> one.job().start(desk(one).answer().plans().get(0)));
            Step fetch = job(session).sheet().steps().stream()
                    .filter(step -> step.file()
                            .filter(file -> file.name().equals("key-recovery-l210.tar"))
                            .isPresent())
                    .findFirst()
                    .orElseThrow();
            assertThat(desk(session).objectionToTick(job(session), fetch)).isPresent();
            does(session, one -> one.job().override(fetch, "compared elsewhere"));
            assertThat(desk(session).objectionToTick(job(session), fetch)).isEmpty();
            does(session, one -> one.job().tick(fetch, ""));
            Step write = job(session).sheet().of(Phase.DO).stream()
                    .filter(Step::isAtThePhone)
                    .findFirst()
                    .orElseThrow();
            does(session, one -> one.files().lookInto(List.of(wrong)));
            for (Step step : job(session).sheet().steps()) {
                if (!step.equals(fetch) && (step.phase() == Phase.GATHER || step.phase() == Phase.PREPARE)) {
                    step.gate().ifPresent(gate -> opens(session, gate));
                    does(session, one -> one.job().override(step, "for the test"));
                    does(session, one -> one.job().tick(step, ""));
                }
            }
            assertThat(desk(session).objectionToTick(job(session), write))
                    .hasValueSatisfying(why -> assertThat(why).startsWith("The file on the bench is wrong"));
            does(session, one -> one.job().untick(fetch));
            assertThat(desk(session).objectionToTick(job(session), fetch)).isPresent();
            assertThat(job(session).state().files())
                    .as("what was taken back is not taken")
                    .doesNotContainKey(fetch.id());
        }
    }

    private void opens(Session session, Gate gate) {
        try {
            does(
                    session,
                    one -> one.readings()
                            .takeTyped(
                                    gate.fact(),
                                    gate.atLeast()
                                            .map(String::valueOf)
                                            .orElseGet(() -> gate.is().get(0))));
        } catch (Exception failed) {
            throw new AssertionError(failed);
        }
    }

    @Test
    void aReminderOfOnesOwnComesAndGoesAndIsUndone() throws Exception {
        try (Session session = openDemo("Hive 3")) {
            LocalDate day = LocalDate.parse("2027-03-01");
            does(session, one -> one.logbook().remind(day, " "));
            assertThat(session.notice().get()).map(Notice::text).contains("Say what you want to be reminded of.");
            does(session, one -> one.logbook().remind(day, "The licence ends"));
            assertThat(own(session)).extracting(Reminder::what).containsExactly("The licence ends");
            does(session, one -> one.logbook().forget(own(one).get(0)));
            assertThat(own(session)).isEmpty();
            does(session, Session::undo);
            does(session, one -> one.logbook().askWhatIsDue());
            assertThat(own(session)).hasSize(1);
        }
    }

    private static List<Reminder> own(Session session) {
        return session.logbook().due().get().orElseThrow().all().stream()
                .filter(one -> one.kind() == Reminder.Kind.OWN)
                .toList();
    }
}
