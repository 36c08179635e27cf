package org.mobrak.core.learn.reading;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.learn.page.Text;

/**
 * What a row of a table says.
 *
 * @param stance whether the row is for its phones, against them, or says that nobody tried
 * @param files with what is known of each
 */
record RowRead(
        List<Read<String>> models,
        List<Read<Versions>> versions,
        List<Read<String>> builds,
        List<Read<String>> files,
        List<Read<String>> sums,
        Optional<Read<String>> carrier,
        Optional<Read<String>> chipset,
        Optional<Read<String>> maker,
        Optional<Read<String>> shop,
        Optional<Read<Integer>> battery,
        Stance stance,
        Text at) {
    RowRead {
        models = List.copyOf(models);
        versions = List.copyOf(versions);
        builds = List.copyOf(builds);
        files = List.copyOf(files);
        sums = List.copyOf(sums);
    }

    /** Whether it binds its phones to a version or a build. */
    boolean saysWhen() {
        return !versions.isEmpty() || !builds.isEmpty();
    }

    /** The same for one version of the OS. */
    RowRead on(Read<Versions> version) {
        return new RowRead(
                models, List.of(version), builds, files, sums, carrier, chipset, maker, shop, battery, stance, at);
    }

    RowRead as(Stance other) {
        return new RowRead(models, versions, builds, files, sums, carrier, chipset, maker, shop, battery, other, at);
    }
}
