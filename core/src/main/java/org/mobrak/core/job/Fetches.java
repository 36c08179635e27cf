package org.mobrak.core.job;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.plan.Sizes;

/** What is laid ready on the computer first: each tool, driver and file once, however many routes ask for it. */
final class Fetches {
    /** What a usual line at home brings, in bytes a minute: 16 Mbit/s (our own choice). */
    private static final double PER_MINUTE = 120_000_000;

    private Fetches() {}

    /** Tools and drivers; those in the same versions once. */
    static List<Step> tools(List<Route> routes) {
        Map<Route.NeededTool, Step> steps = new LinkedHashMap<>();
        routes.forEach(route -> route.work().tools().forEach(tool -> steps.putIfAbsent(tool, fetch(route, tool))));
        return List.copyOf(steps.values());
    }

    static List<Step> files(List<Route> routes) {
        Map<NeededFile, Step> steps = new LinkedHashMap<>();
        routes.forEach(route -> route.work().files().forEach(file -> steps.putIfAbsent(file, fetch(route, file))));
        return List.copyOf(steps.values());
    }

    private static Step fetch(Route route, NeededFile file) {
        StringBuilder text = new StringBuilder();
        file.inside()
                .ifPresent(outer -> text.append(
                        "It comes in %s: unpack that once, and leave %s as it is. ".formatted(outer, file.name())));
        text.append("Put it on the computer and drop it on the page Files");
        text.append(
                file.hasDigest()
                        ? ": it is held against the route’s checksum there, to the byte."
                        : ". The route names no checksum for it, so take it from one place only.");
        file.bytes().ifPresent(bytes -> text.append(' ').append(size(bytes)));
        text.append(host(route));
        return new Step.Fetch(
                SheetWriter.line(route.name(), Phase.GATHER, file.role() + ": " + file.name(), text.toString()),
                Optional.of(file));
    }

    private static Step fetch(Route route, Route.NeededTool tool) {
        String text = "Version: " + tool.versions() + ". Another version may call the same things by other names."
                + tool.rights()
                        .map(" It must be started with the rights of an %s."::formatted)
                        .orElse("")
                + host(route);
        String title = ("driver".equals(tool.kind()) ? "Driver: " : "Tool: ") + tool.name();
        return new Step.Fetch(SheetWriter.line(route.name(), Phase.GATHER, title, text), Optional.empty());
    }

    /** For which computer it is made, where the route was made for one. */
    private static String host(Route route) {
        String hosts = route.fits().requires().stream()
                .filter(one -> one instanceof Condition.OneOf of && of.fact() == Fact.HOST_OS)
                .flatMap(one -> ((Condition.OneOf) one).values().stream())
                .collect(Collectors.joining(" or "));
        return hosts.isEmpty() ? "" : " Take the one for a computer with " + hosts + ".";
    }

    private static String size(long bytes) {
        double minutes = bytes / PER_MINUTE;
        String time = minutes < 1 ? "" : String.format(Locale.ROOT, ", about %.0f min to fetch", Math.ceil(minutes));
        return "Size: " + Sizes.words(bytes) + time + ".";
    }
}
