package org.mobrak.app.demo;

import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.link.Bench;
import org.mobrak.link.BenchPhone;
import org.mobrak.link.PhoneFile;
import org.mobrak.link.PhoneLink;

/** {@code drawer.yaml}: which phones the demo has, and which lie on its simulated bench. */
public record DrawerFile(List<Phone> phones, List<OnBench> bench) {

    /**
     * A phone in the drawer.
     *
     * @param typed what its keeper said of it, as {@code key=value}
     * @param done the job it has behind it
     * @param files those that were looked into for it
     * @param copies those of them that bring it back
     */
    record Phone(
            String nickname,
            List<String> readings,
            List<String> typed,
            Optional<Done> done,
            List<String> files,
            List<Copy> copies) {
        Phone {
            files = files == null ? List.of() : List.copyOf(files);
            copies = copies == null ? List.of() : List.copyOf(copies);
            typed = typed == null ? List.of() : List.copyOf(typed);
        }
    }

    /** A file registered as a stock copy of what it covers, for the build the phone runs. */
    record Copy(String file, PartitionClass covers, boolean verified) {}

    /** A job that ended so many days ago. */
    record Done(String route, String goal, int days) {}

    /**
     * A phone on the cable.
     *
     * @param rooted whether a shell may write its system files
     * @param properties the file with its properties, in the demo's folder
     */
    record OnBench(
            String name,
            String mode,
            Optional<String> listing,
            Optional<String> banner,
            boolean rooted,
            Optional<String> properties) {}

    static DrawerFile read(Path demo) throws IOException {
        return JsonMapper.builder(new YAMLFactory())
                .addModule(new Jdk8Module())
                .build()
                .readValue(demo.resolve("drawer.yaml").toFile(), DrawerFile.class);
    }

    /** The cable that belongs to a workspace; nothing hangs on it where the workspace has no demo. */
    public static PhoneLink benchOf(Path workspace) {
        return new DemoCable(workspace.resolve("bench"));
    }

    static Bench bench(Path demo) throws IOException {
        if (!Files.exists(demo.resolve("drawer.yaml"))) {
            return new Bench(List.of());
        }
        List<BenchPhone> phones = new ArrayList<>();
        for (OnBench phone : read(demo).bench()) {
            BenchPhone.Mode mode = phone.mode().equals("os") ? BenchPhone.Mode.OS : BenchPhone.Mode.OFF;
            phones.add(new BenchPhone(
                    phone.name(),
                    mode,
                    text(demo, phone.listing()),
                    text(demo, phone.banner()),
                    phone.rooted(),
                    files(demo, phone.properties())));
        }
        return new Bench(phones);
    }

    private static Map<String, PhoneFile> files(Path demo, Optional<String> properties) throws IOException {
        return properties.isEmpty()
                ? Map.of()
                : Map.of(BenchPhone.PROPERTIES, PhoneFile.ofSystem(Files.readAllBytes(demo.resolve(properties.get()))));
    }

    private static String text(Path demo, Optional<String> name) throws IOException {
        return name.isEmpty() ? "" : Files.readString(demo.resolve("readings").resolve(name.get()));
    }
}
