package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.learn.reading.Read;
import org.mobrak.core.learn.reading.Sure;
import org.mobrak.core.learn.reading.Understood;
import org.mobrak.core.learn.reading.Versions;

/** For which phones a draft is, and what must be so before. */
final class ScopeDraft {
    private static final int MOST_PHONES = 500;
    private static final int MOST_CONDITIONS = 50;
    private static final int LONGEST = 1_000;
    /** What a phone's state must be; everything else is made ready on the day. */
    static final Set<String> STATES =
            Set.of("lock", "root", "recovery", "writeProtection", "kernelKind", "rootManager");

    private final Understood guide;
    private final Evident evident;
    /** Files that take the place of others on some builds. */
    private final List<Understood.File> instead;

    ScopeDraft(Understood guide, Evident evident) {
        this.guide = guide;
        this.evident = evident;
        this.instead = guide.files().stream().filter(Understood.File::instead).toList();
    }

    void draft(Groups.Group group, ObjectNode fits, String path) {
        ArrayNode phones = fits.putArray("phones");
        List<Understood.Phone> bounded = new ArrayList<>();
        Optional<Read<Versions>> only = only(group);
        for (String key : group.phones()) {
            Understood.Phone phone = guide.phones().get(key);
            if (phone == null) {
                continue;
            }
            List<Read<Versions>> own = own(phone, group.versions().getOrDefault(key, List.of()));
            List<Read<Versions>> exact = own.stream()
                    .filter(read -> read.value()
                            .exact()
                            .filter(version -> !version.endsWith(".x"))
                            .isPresent())
                    .toList();
            List<Read<String>> builds = built(phone, key, group.builds().getOrDefault(key, List.of()));
            if (exact.isEmpty()) {
                phone(phones, path, phone, only, builds);
            }
            exact.forEach(version -> phone(phones, path, phone, Optional.of(version), builds));
            if (exact.size() < own.size()) {
                bounded.add(phone);
            }
        }
        excludedBuilds(fits.putArray("excludedBuilds"), path + "/excludedBuilds");
        requires(fits.putArray("requires"), path + "/requires", bounded, only);
    }

    private static List<Read<Versions>> own(Understood.Phone phone, List<String> bound) {
        return phone.versions().stream()
                .filter(read -> bound.isEmpty()
                        || read.value().exact().filter(bound::contains).isPresent()
                        || read.value().exact().isEmpty())
                .toList();
    }

    /** Where the files are for some builds, those; else all but those that have a file of their own. */
    private List<Read<String>> built(Understood.Phone phone, String key, List<String> bound) {
        return phone.builds().stream()
                .filter(read -> bound.isEmpty()
                        ? instead.stream()
                                .noneMatch(file -> file.builds()
                                        .getOrDefault(key, List.of())
                                        .contains(read.value()))
                        : bound.contains(read.value()))
                .toList();
    }

    /** Where the guide speaks of one version alone, it stands with each phone. */
    private Optional<Read<Versions>> only(Groups.Group group) {
        boolean one = guide.versions().size() == 1 && !group.phones().isEmpty();
        return one
                ? Optional.of(guide.versions().get(0))
                        .filter(read -> read.value()
                                .exact()
                                .filter(version -> !version.endsWith(".x"))
                                .isPresent())
                : Optional.empty();
    }

    private void phone(
            ArrayNode phones,
            String path,
            Understood.Phone phone,
            Optional<Read<Versions>> version,
            List<Read<String>> own) {
        if (phones.size() >= MOST_PHONES) {
            return;
        }
        String here = path + "/phones/" + phones.size();
        ObjectNode node = phones.addObject().put("model", phone.model().value());
        evident.at(here + "/model", phone.model());
        version.ifPresent(read -> read.value().exact().ifPresent(exact -> {
            node.put("osVersion", exact);
            evident.at(here + "/osVersion", exact, read, read.sure());
        }));
        guide.bootloader().ifPresent(read -> {
            node.put("bootloader", read.value());
            evident.at(here + "/bootloader", read);
        });
        if (!own.isEmpty()) {
            ArrayNode builds = node.putArray("builds");
            own.forEach(read -> {
                evident.at(here + "/builds/" + builds.size(), read);
                builds.add(read.value());
            });
        }
    }

    private void excludedBuilds(ArrayNode excluded, String path) {
        guide.excludedBuilds().forEach(read -> {
            evident.at(path + "/" + excluded.size() + "/build", read);
            excluded.addObject()
                    .put("build", read.value())
                    .put("because", Evident.cut(read.at().value(), LONGEST));
        });
    }

    private void requires(
            ArrayNode requires, String path, List<Understood.Phone> bounded, Optional<Read<Versions>> only) {
        guide.needs().forEach((fact, values) -> {
            if (STATES.contains(fact)) {
                values.values().stream().limit(1).forEach(read -> {
                    evident.at(path + "/" + requires.size() + "/is/0", read);
                    requires.addObject().put("fact", fact).putArray("is").add(read.value());
                });
            }
        });
        excluded(requires, path, "model", List.copyOf(guide.excluded().values()));
        excluded(requires, path, "carrier", guide.excludedCarriers());
        guide.markets().forEach((fact, some) -> oneOf(requires, path, fact, some));
        kernel(requires, path);
        if (only.isEmpty()) {
            shared(requires, path);
        }
        alone(requires, path, bounded);
        while (requires.size() > MOST_CONDITIONS) {
            requires.remove(requires.size() - 1);
        }
    }

    private void excluded(ArrayNode requires, String path, String fact, List<Read<String>> out) {
        if (out.isEmpty()) {
            return;
        }
        String here = path + "/" + requires.size() + "/not/is/";
        ObjectNode not = requires.addObject();
        ArrayNode is = not.putObject("not").put("fact", fact).putArray("is");
        out.forEach(read -> {
            evident.at(here + is.size(), read);
            is.add(read.value());
        });
        not.put("because", Evident.cut(out.get(0).at().value(), LONGEST));
    }

    private void oneOf(ArrayNode requires, String path, String fact, List<Read<String>> some) {
        String here = path + "/" + requires.size() + "/is/";
        ArrayNode is = requires.addObject().put("fact", fact).putArray("is");
        some.forEach(read -> {
            evident.at(here + is.size(), read);
            is.add(read.value());
        });
    }

    private void kernel(ArrayNode requires, String path) {
        guide.kernel().ifPresent(read -> {
            String here = path + "/" + requires.size();
            ObjectNode bound = requires.addObject();
            boolean below = !read.value().below().isEmpty();
            ObjectNode side = below ? bound.putObject("not") : bound;
            side.put("fact", "kernelRelease");
            String least = below ? read.value().below() : read.value().atLeast();
            if (!least.isEmpty()) {
                side.put("atLeast", least);
                evident.at(here + (below ? "/not" : "") + "/atLeast", least, read, read.sure());
            }
            if (!read.value().atMost().isEmpty()) {
                side.put("atMost", read.value().atMost());
                evident.at(here + "/atMost", read.value().atMost(), read, read.sure());
            }
            bound.put("because", Evident.cut(read.at().value(), LONGEST));
        });
    }

    /** Versions that hold for all phones. */
    private void shared(ArrayNode requires, String path) {
        List<Read<Versions>> exact = guide.versions().stream()
                .filter(read -> read.value().exact().isPresent())
                .toList();
        guide.versions().stream()
                .filter(read -> read.value().exact().isEmpty())
                .forEach(read -> bounds(requires.addObject(), path + "/" + (requires.size() - 1), read));
        if (!exact.isEmpty()) {
            String here = path + "/" + requires.size() + "/like/";
            ArrayNode like = requires.addObject().put("fact", "osVersion").putArray("like");
            exact.forEach(read -> {
                String version = read.value().exact().orElseThrow();
                String pattern = version.endsWith(".x") ? version.substring(0, version.length() - 1) + "*" : version;
                evident.at(here + like.size(), pattern, read, read.sure());
                like.add(pattern);
            });
        }
    }

    private void bounds(ObjectNode range, String here, Read<Versions> read) {
        range.put("fact", "osVersion");
        read.value().atLeast().ifPresent(least -> {
            range.put("atLeast", least);
            evident.at(here + "/atLeast", least, read, read.sure());
        });
        read.value().atMost().ifPresent(most -> {
            range.put("atMost", most);
            evident.at(here + "/atMost", most, read, Sure.LIKELY);
        });
    }

    /** Bounds that hold for one phone among several. */
    private void alone(ArrayNode requires, String path, List<Understood.Phone> bounded) {
        if (bounded.isEmpty()) {
            return;
        }
        boolean single = guide.phones().size() == 1;
        ObjectNode any = single ? JsonNodeFactory.instance.objectNode() : requires.addObject();
        String here = path + "/" + (requires.size() - (single ? 0 : 1));
        ArrayNode ways = any.putArray("anyOf");
        for (Understood.Phone phone : bounded) {
            for (Read<Versions> read : phone.versions()) {
                if (read.value()
                        .exact()
                        .filter(version -> !version.endsWith(".x"))
                        .isPresent()) {
                    continue;
                }
                ObjectNode condition = JsonNodeFactory.instance.objectNode();
                String at = single ? path + "/" + requires.size() : here + "/anyOf/" + ways.size() + "/allOf/1";
                if (read.value().exact().isPresent()) {
                    String version = read.value().exact().orElseThrow();
                    condition
                            .put("fact", "osVersion")
                            .putArray("like")
                            .add(version.substring(0, version.length() - 1) + "*");
                    evident.at(at + "/like/0", version.substring(0, version.length() - 1) + "*", read, read.sure());
                } else {
                    bounds(condition, at, read);
                }
                if (single) {
                    requires.add(condition);
                } else {
                    ObjectNode way = ways.addObject();
                    ArrayNode all = way.putArray("allOf");
                    all.addObject()
                            .put("fact", "model")
                            .putArray("is")
                            .add(phone.model().value());
                    all.add(condition);
                }
            }
        }
        List<String> free = guide.phones().values().stream()
                .filter(phone -> !bounded.contains(phone))
                .map(phone -> phone.model().value())
                .toList();
        if (!single && !free.isEmpty()) {
            ArrayNode is = ways.addObject().put("fact", "model").putArray("is");
            free.forEach(is::add);
        }
    }
}
