package org.mobrak.core.gather;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.job.Demand;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.Write;
import org.mobrak.core.material.check.CheckContext;

/**
 * Everything a job needs on the bench, and how it stands with each: files first, then tools, then things.
 *
 * @param sheet the run sheet, as strict as what is in the files asks for
 * @param demands what the files ask for and the sheet did not
 */
public record Gathering(RunSheet sheet, List<Demand> demands, List<GatherItem> items) {
    private static final Set<Fact> THINGS =
            Set.of(Fact.BATTERY_PERCENT, Fact.CABLE, Fact.CARD, Fact.SERVICE_PLUG, Fact.INTERNET);

    public Gathering {
        demands = List.copyOf(demands);
        items = List.copyOf(items);
    }

    /**
     * The list of a run sheet.
     *
     * @param ticked the steps that are ticked; a tool is had when its step is
     * @param kept every file that was looked into, for whatever job
     */
    public static Gathering of(RunSheet sheet, Set<String> ticked, CheckContext against, List<Kept> kept) {
        List<Step> gather = sheet.of(Phase.GATHER);
        List<GatherItem> items = new ArrayList<>(new Placing(against, kept)
                .place(gather.stream()
                        .flatMap(step ->
                                step.file().map(file -> new Need.OfFile(step.id(), step.route(), file)).stream())
                        .toList()));
        gather.stream()
                .filter(step -> step.file().isEmpty())
                .map(step -> tool(step, ticked))
                .forEach(items::add);
        List<Demand> demands = demands(sheet, items);
        RunSheet strict = sheet.asking(demands);
        strict.steps().stream()
                .filter(step ->
                        step.gate().filter(gate -> THINGS.contains(gate.fact())).isPresent())
                .filter(step -> strict.asking(step.gate().orElseThrow().fact()).equals(Optional.of(step)))
                .map(step -> thing(step, against.facts()))
                .forEach(items::add);
        sheet.money().map(Gathering::money).ifPresent(items::add);
        return new Gathering(strict, demands, items);
    }

    /** A file may write something riskier than its route says; then that decides how full the battery must be. */
    private static List<Demand> demands(RunSheet sheet, List<GatherItem> files) {
        List<Demand> demands = new ArrayList<>();
        for (GatherItem item : files) {
            Optional<Demand> demand = item.kept()
                    .filter(Kept::isThere)
                    .filter(kept -> item.standing() != Standing.WRONG)
                    .flatMap(kept -> demand(kept.material()));
            RunSheet before = sheet.asking(demands);
            demand.filter(more -> !before.asking(more).equals(before)).ifPresent(demands::add);
        }
        return demands;
    }

    private static Optional<Demand> demand(Material file) {
        Set<PartitionClass> written = file.writes().stream().map(Write::kind).collect(Collectors.toSet());
        return Gate.battery(written, file.name()).map(gate -> new Demand(gate, file.name()));
    }

    private static GatherItem tool(Step step, Set<String> ticked) {
        boolean had = ticked.contains(step.id());
        return item(
                new Need.OfTool(step.id(), step.title(), step.text()),
                had ? Standing.HAVE : Standing.UNCHECKED,
                had ? "Ticked on the run sheet." : step.text());
    }

    private static GatherItem thing(Step step, Facts facts) {
        GateJudge judged = GateJudge.of(step.gate().orElseThrow(), facts);
        Standing standing = switch (judged.result()) {
            case YES -> Standing.HAVE;
            case NO -> Standing.MISSING;
            case UNKNOWN -> Standing.UNCHECKED;
        };
        return item(new Need.OfThing(step.id(), step.title(), step.text(), step.gate()), standing, judged.sentence());
    }

    private static GatherItem money(String amount) {
        return item(
                new Need.OfThing("", "Money: " + amount, "What the routes cost.", Optional.empty()),
                Standing.UNCHECKED,
                "What the routes cost in all; only you know whether it is worth it.");
    }

    private static GatherItem item(Need need, Standing standing, String reason) {
        return new GatherItem(need, standing, Optional.empty(), List.of(), reason);
    }

    /** The line of a step of the run sheet. */
    public Optional<GatherItem> of(String stepId) {
        return items.stream()
                .filter(item -> item.need().stepId().equals(stepId))
                .findFirst();
    }

    public long count(Standing standing) {
        return items.stream().filter(item -> item.standing() == standing).count();
    }

    /** The bytes still to be fetched, as far as sizes are known. */
    public long missingBytes() {
        return items.stream()
                .filter(item -> item.standing() == Standing.MISSING || item.standing() == Standing.WRONG)
                .mapToLong(item -> item.need() instanceof Need.OfFile file
                        ? file.file().bytes().orElse(0L)
                        : 0L)
                .sum();
    }

    /** Whether some file that is still to be fetched has no known size. */
    public boolean hasUnknownSizes() {
        return items.stream()
                .anyMatch(item -> item.standing() == Standing.MISSING
                        && item.need() instanceof Need.OfFile file
                        && file.file().bytes().isEmpty());
    }
}
