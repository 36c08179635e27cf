package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Fact;

/** For which phones a draft is, and what must be so before. */
final class ScopeDraft {
    private final Heard heard;
    private final Evident evident;

    ScopeDraft(Heard heard, Evident evident) {
        this.heard = heard;
        this.evident = evident;
    }

    void draft(List<Said<String>> wanted, ObjectNode fits, String path) {
        ArrayNode phones = fits.putArray("phones");
        Optional<Said<Figures.Versions>> exact = heard.versions.stream()
                .filter(said -> said.value()
                        .exact()
                        .filter(version -> !version.endsWith(".x"))
                        .isPresent())
                .findFirst();
        // Without a phone beside which it could stand a version is a need by itself.
        boolean one = heard.versions.size() == 1 && !wanted.isEmpty();
        for (Said<String> model : wanted) {
            String here = path + "/phones/" + phones.size();
            ObjectNode phone = phones.addObject().put("model", model.value());
            evident.at(here + "/model", model);
            if (exact.isPresent() && one) {
                phone.put("osVersion", exact.get().value().exact().get());
                evident.at(
                        here + "/osVersion",
                        exact.get().value().exact().get(),
                        exact.get().line(),
                        exact.get().sure());
            }
            heard.bootloader.ifPresent(said -> {
                phone.put("bootloader", said.value());
                evident.at(here + "/bootloader", said);
            });
            if (!heard.builds.isEmpty()) {
                ArrayNode builds = phone.putArray("builds");
                heard.builds.values().forEach(said -> {
                    evident.at(here + "/builds/" + builds.size(), said);
                    builds.add(said.value());
                });
            }
        }
        ArrayNode excluded = fits.putArray("excludedBuilds");
        heard.excludedBuilds.values().forEach(said -> {
            evident.at(path + "/excludedBuilds/" + excluded.size() + "/build", said);
            excluded.addObject()
                    .put("build", said.value())
                    .put("because", Listening.shortened(said.line().text(), 1000));
        });
        requires(fits.putArray("requires"), path + "/requires", one);
    }

    private void requires(ArrayNode requires, String path, boolean one) {
        heard.requires.forEach((fact, said) -> {
            evident.at(path + "/" + requires.size() + "/is/0", said);
            requires.addObject().put("fact", fact.key()).putArray("is").add(said.value());
        });
        if (!heard.excluded.isEmpty()) {
            String here = path + "/" + requires.size() + "/not/is/";
            ObjectNode not = requires.addObject();
            ArrayNode models = not.putObject("not").put("fact", "model").putArray("is");
            heard.excluded.values().forEach(said -> {
                evident.at(here + models.size(), said);
                models.add(said.value());
            });
            not.put(
                    "because",
                    Listening.shortened(
                            heard.excluded.values().iterator().next().line().text(), 1000));
        }
        things(requires, path);
        versions(requires, path, one);
    }

    /** Chipset, carriers and kernel. */
    private void things(ArrayNode requires, String path) {
        oneOf(Fact.CHIPSET, List.copyOf(heard.chipsets.values()), requires, path);
        heard.markets.forEach((fact, some) -> oneOf(fact, List.copyOf(some.values()), requires, path));
        heard.otherMarkets.forEach((fact, some) -> {
            String here = path + "/" + requires.size() + "/not/is/";
            ObjectNode not = requires.addObject();
            ArrayNode is = not.putObject("not").put("fact", fact.key()).putArray("is");
            some.values().forEach(said -> {
                evident.at(here + is.size(), said);
                is.add(said.value());
            });
            not.put("because", "The guide is not for phones of this " + fact.key() + ".");
        });
        heard.kernel.ifPresent(said -> {
            String here = path + "/" + requires.size();
            ObjectNode bound = requires.addObject();
            Heard.Bounds bounds = said.value();
            ObjectNode side = bounds.below().isPresent() ? bound.putObject("not") : bound;
            side.put("fact", "kernelRelease");
            bounds.below().or(bounds::atLeast).ifPresent(least -> {
                side.put("atLeast", least);
                evident.at(here + (side == bound ? "" : "/not") + "/atLeast", least, said.line(), said.sure());
            });
            bounds.atMost().ifPresent(most -> {
                side.put("atMost", most);
                evident.at(here + "/atMost", most, said.line(), said.sure());
            });
            bound.put("because", Listening.shortened(said.line().text(), 1000));
        });
    }

    private void oneOf(Fact fact, List<Said<String>> some, ArrayNode requires, String path) {
        if (!some.isEmpty()) {
            String here = path + "/" + requires.size() + "/is/";
            ArrayNode is = requires.addObject().put("fact", fact.key()).putArray("is");
            some.forEach(said -> {
                evident.at(here + is.size(), said);
                is.add(said.value());
            });
        }
    }

    private void versions(ArrayNode requires, String path, boolean one) {
        List<String> several = new ArrayList<>();
        for (Said<Figures.Versions> said : heard.versions) {
            Figures.Versions versions = said.value();
            String here = path + "/" + requires.size();
            if (versions.atLeast().isPresent() || versions.atMost().isPresent()) {
                ObjectNode range = requires.addObject().put("fact", "osVersion");
                versions.atLeast().ifPresent(least -> {
                    range.put("atLeast", least);
                    evident.at(here + "/atLeast", least, said.line(), said.sure());
                });
                versions.atMost().ifPresent(most -> {
                    range.put("atMost", most);
                    evident.at(here + "/atMost", most, said.line(), said.sure());
                });
            } else {
                versions.exact()
                        .filter(version -> !one || version.endsWith(".x"))
                        .ifPresent(several::add);
            }
        }
        if (!several.isEmpty()) {
            String here = path + "/" + requires.size() + "/like/";
            ArrayNode like = requires.addObject().put("fact", "osVersion").putArray("like");
            for (String version : several) {
                Said<Figures.Versions> said = heard.versions.stream()
                        .filter(candidate -> candidate.value().exact().equals(Optional.of(version)))
                        .findFirst()
                        .orElseThrow();
                String pattern = version.endsWith(".x") ? version.substring(0, version.length() - 1) + "*" : version;
                evident.at(here + like.size(), pattern, said.line(), said.sure());
                like.add(pattern);
            }
        }
    }
}
