package org.mobrak.app.rehearsal;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.ToolSetting;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Card;
import org.mobrak.core.job.Card.Entry;
import org.mobrak.core.job.Card.Order;
import org.mobrak.core.job.Step.First;
import org.mobrak.core.job.Step.Place;

/** Cards that are wrong in one thing each, made from a right one. */
final class CardMutants {
    /**
     * A wrong card.
     *
     * @param matters why hands must fail by it; empty where it cannot matter, and {@code why} says so
     */
    record Mutant(String kind, String at, Card card, boolean matters, String why) {}

    private static final Set<Fact> SWITCHES = Set.of(Fact.UNKNOWN_SOURCES, Fact.OEM_UNLOCK, Fact.INTERNET, Fact.CARD);

    private final Card card;
    private final List<Mutant> all = new ArrayList<>();

    /** The boxes whose gates were open on the phone all the while. */
    private final Set<String> open;

    private CardMutants(Card card, Set<String> open) {
        this.card = card;
        this.open = open;
    }

    /** @param right how the right card went on the phone that the wrong ones are played on */
    static List<Mutant> of(Card card, Report right) {
        Set<String> open = right.events().stream()
                .filter(one -> one.text().equals(PaperBench.IT_IS_SO))
                .map(Report.Happened::step)
                .collect(Collectors.toSet());
        CardMutants mutants = new CardMutants(card, open);
        for (int i = 0; i < card.entries().size(); i++) {
            if (card.entries().get(i).phase() != Phase.TIDY) {
                mutants.leftOut(i);
                mutants.swapped(i);
                mutants.orders(i);
                mutants.sign(i);
            }
        }
        return mutants.all;
    }

    private void add(String kind, int at, List<Entry> entries, String cannot) {
        Entry entry = card.entries().get(at);
        all.add(new Mutant(kind, entry.id() + " " + entry.title(), new Card(entries), cannot.isEmpty(), cannot));
    }

    private List<Entry> with(int at, Entry other) {
        List<Entry> entries = new ArrayList<>(card.entries());
        entries.set(at, other);
        return entries;
    }

    private void leftOut(int at) {
        List<Entry> entries = new ArrayList<>(card.entries());
        entries.remove(at);
        add("step left out", at, entries, idle(card.entries().get(at)));
    }

    private void swapped(int at) {
        if (at + 1 >= card.entries().size() || card.entries().get(at + 1).phase() == Phase.TIDY) {
            return;
        }
        Entry one = card.entries().get(at);
        Entry other = card.entries().get(at + 1);
        List<Entry> entries = new ArrayList<>(card.entries());
        entries.set(at, other);
        entries.set(at + 1, one);
        String why = !idle(one).isEmpty() ? idle(one) : idle(other);
        boolean apart = doesNothingToThePhone(one) || doesNothingToThePhone(other);
        add(
                "two steps swapped",
                at,
                entries,
                why.isEmpty() && apart ? "what is laid ready or read may come earlier or later" : why);
    }

    private void orders(int at) {
        Entry entry = card.entries().get(at);
        for (int i = 0; i < entry.orders().size(); i++) {
            Order order = entry.orders().get(i);
            if (order instanceof Card.Hold hold) {
                chords(at, i, hold.keys());
            } else if (order instanceof Card.Put put) {
                Place other = put.to() == Place.CARD ? Place.INTERNAL : Place.CARD;
                add(
                        "copied elsewhere",
                        at,
                        ordering(at, i, new Card.Put(put.file(), other)),
                        wipedBetween(at) ? "" : "no wipe lies between, and a recovery finds it in both places");
            } else if (order instanceof Card.Work work) {
                choices(at, i, work);
            } else if (order instanceof Card.Compare compare && compare.opener().isPresent()) {
                add(
                        "switch left out",
                        at,
                        ordering(at, i, new Card.Compare(compare.wanted(), Optional.empty())),
                        guards(entry, compare.wanted()));
            } else if (order instanceof Card.Before before) {
                List<Order> left = new ArrayList<>(entry.orders());
                left.remove(i);
                String why = cannotMatter(before.what(), at);
                add(
                        before.what() == First.UNPLUG ? "cable left in" : "not switched off or restarted",
                        at,
                        with(
                                at,
                                entry.ordering(
                                        left.isEmpty()
                                                ? List.of(new Card.Work(Optional.empty(), Map.of(), Map.of(), Map.of()))
                                                : left)),
                        why);
            }
        }
    }

    /** Another box is ticked, one is not spoken of, or a file goes into another slot. */
    private void choices(int at, int which, Card.Work work) {
        work.settings().forEach((setting, on) -> {
            Map<ToolSetting, Boolean> other = new EnumMap<>(work.settings());
            other.put(setting, !on);
            add("setting changed", at, ordering(at, which, setting(work, other)), "");
            other.remove(setting);
            add(
                    "setting left out",
                    at,
                    ordering(at, which, setting(work, other)),
                    Chosen.isAtFirst(setting) == on ? "the program is so when it is opened" : "");
        });
        work.files().forEach((file, slot) -> {
            if (!slot.isEmpty()) {
                Map<String, String> other = new LinkedHashMap<>(work.files());
                other.put(file, slot.equals("kernel area") ? "recovery area" : "kernel area");
                add("another slot", at, ordering(at, which, filing(work, other)), "");
                other.put(file, "");
                add("slot left out", at, ordering(at, which, filing(work, other)), "");
            }
        });
    }

    private static Card.Work setting(Card.Work work, Map<ToolSetting, Boolean> other) {
        return new Card.Work(work.mode(), work.files(), other, work.expects());
    }

    private static Card.Work filing(Card.Work work, Map<String, String> other) {
        return new Card.Work(work.mode(), other, work.settings(), work.expects());
    }

    private String cannotMatter(First what, int at) {
        return switch (what) {
            case KEEP_RECOVERY -> "it matters only under a system that puts its recovery back";
            case SWITCH_OFF, FORCE_OFF -> "keys that are held with power switch a phone off first";
            case UNPLUG -> isPlugged(at) ? "" : "the cable is out";
            case BY_ITSELF -> "the phone goes there by itself, told or not";
            case RESTART -> "";
        };
    }

    private boolean isPlugged(int at) {
        boolean plugged = false;
        for (Entry entry : card.entries().subList(0, at)) {
            for (Order order : entry.orders()) {
                plugged = order instanceof Card.PlugIn
                        || plugged && !(order instanceof Card.Before before && before.what() == First.UNPLUG);
            }
        }
        return plugged;
    }

    private List<Entry> ordering(int at, int which, Order other) {
        List<Order> orders = new ArrayList<>(card.entries().get(at).orders());
        orders.set(which, other);
        return with(at, card.entries().get(at).ordering(orders));
    }

    private void chords(int at, int which, KeyChord keys) {
        Stroke first = keys.strokes().get(0);
        if (first.keys().size() > 1) {
            Stroke fewer = new Stroke(
                    first.keys().subList(1, first.keys().size()), first.pressed(), first.until(), first.seconds());
            add("key left out", at, ordering(at, which, new Card.Hold(beginning(fewer, keys))), restarts(at));
        }
        Stroke other = new Stroke(
                first.keys().stream().map(CardMutants::other).toList(),
                first.pressed(),
                first.until(),
                first.seconds());
        add("another chord", at, ordering(at, which, new Card.Hold(beginning(other, keys))), restarts(at));
        Stroke hasty = new Stroke(first.keys(), true, Optional.empty(), Optional.empty());
        add("held too short", at, ordering(at, which, new Card.Hold(beginning(hasty, keys))), restarts(at));
    }

    private static KeyChord beginning(Stroke first, KeyChord keys) {
        return new KeyChord(
                Stream.concat(Stream.of(first), keys.strokes().stream().skip(1)).toList());
    }

    private static Key other(Key key) {
        return switch (key) {
            case VOLUME_UP -> Key.VOLUME_DOWN;
            case VOLUME_DOWN -> Key.VOLUME_UP;
            case SERVICE_PLUG -> Key.HOME;
            case ALL -> Key.VOLUME_DOWN;
            default -> key;
        };
    }

    private void sign(int at) {
        Entry entry = card.entries().get(at);
        if (entry.sign().isPresent() && entry.phase() == Phase.DO && !isHousekeeping(entry)) {
            add(
                    "sign left out",
                    at,
                    with(at, entry.unseen()),
                    changes(entry) ? "" : "nothing was done that could have gone wrong");
            if (entry.patience().isPresent()) {
                add(
                        "wait cut",
                        at,
                        with(at, entry.waiting(Optional.of(0))),
                        changes(entry) && !(entry.orders().get(0) instanceof Card.PlugIn) ? "" : "it comes at once");
            }
        }
    }

    // What cannot matter on a bench, and why.

    private String idle(Entry entry) {
        if (entry.phase() == Phase.PROVE) {
            return "a proof changes nothing";
        }
        if (entry.orders().get(0) instanceof Card.Lay lay
                && card.entries().stream().noneMatch(one -> takes(one, lay.what()))) {
            return "nothing on the card takes it by its name";
        }
        if (entry.orders().get(0) instanceof Card.Compare compare) {
            return guards(entry, compare.wanted());
        }
        if (goesByItself(entry)) {
            return "the phone goes there by itself, told or not";
        }
        if (onlyLooks(entry)) {
            return "it only tells what is seen";
        }
        if (isHousekeeping(entry)) {
            return "what makes a bench ready may have been ready";
        }
        return changes(entry) || !(entry.orders().get(0) instanceof Card.Work) ? "" : "it only tells what is seen";
    }

    private static boolean goesByItself(Entry entry) {
        return entry.orders().stream()
                .anyMatch(order -> order instanceof Card.Before before && before.what() == First.BY_ITSELF);
    }

    /** The phone is brought somewhere, and from there on at once. */
    private boolean onlyLooks(Entry entry) {
        int at = card.entries().indexOf(entry);
        return isMove(entry)
                && at + 1 < card.entries().size()
                && isMove(card.entries().get(at + 1));
    }

    private static boolean isMove(Entry entry) {
        return !entry.orders().isEmpty()
                && entry.orders().stream()
                        .allMatch(order -> order instanceof Card.Before || order instanceof Card.Hold);
    }

    private static boolean takes(Entry entry, String file) {
        return entry.orders().stream()
                .anyMatch(order -> order instanceof Card.Put put && put.file().equals(file)
                        || order instanceof Card.Work work && work.files().containsKey(file));
    }

    /** Some gates keep from what may happen, not from what must. */
    private String guards(Entry entry, Gate gate) {
        if (open.contains(entry.id())) {
            return "it is so on this phone anyway";
        }
        boolean keys = card.entries().stream()
                .flatMap(one -> one.orders().stream())
                .anyMatch(order -> order instanceof Card.Hold);
        boolean must = SWITCHES.contains(gate.fact()) || gate.fact() == Fact.USB_DEBUGGING && !keys;
        return must ? "" : "it keeps from what may happen, not from what must";
    }

    private boolean isHousekeeping(Entry entry) {
        return entry.phase() == Phase.PREPARE && entry.orders().get(0) instanceof Card.Work;
    }

    private static boolean changes(Entry entry) {
        return entry.orders().stream()
                .anyMatch(order -> order instanceof Card.Before
                        || order instanceof Card.Hold
                        || order instanceof Card.PlugIn
                        || order instanceof Card.Work work && !work.files().isEmpty());
    }

    private static boolean doesNothingToThePhone(Entry entry) {
        return entry.orders().stream()
                .allMatch(order -> order instanceof Card.Lay
                        || order instanceof Card.Compare
                        || order instanceof Card.Put
                        || order instanceof Card.PlugIn);
    }

    private boolean wipedBetween(int at) {
        return card.entries().stream()
                .skip(at)
                .anyMatch(entry -> entry.title().toLowerCase(Locale.ROOT).contains("wipe")
                        || entry.title().equals("Unlock"));
    }

    /** Keys that restart a phone that runs may be any: it restarts all the same. */
    private String restarts(int at) {
        Entry entry = card.entries().get(at);
        boolean all = entry.orders().stream()
                .anyMatch(order ->
                        order instanceof Card.Hold hold && hold.keys().keys().contains(Key.ALL));
        if (all) {
            return "what follows is a way of its own";
        }
        return entry.orders().stream().anyMatch(Card.Work.class::isInstance)
                ? "the phone is restarted from its menu"
                : "";
    }
}
