package org.mobrak.app.demo;

import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.link.PhoneFile;
import org.mobrak.link.PhoneLink;
import org.mobrak.link.bench.BenchCable;
import org.mobrak.link.bench.BenchFolder;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.CablePhone;
import org.mobrak.link.bench.Stimulus;

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
     * @param phone which of the bench it is, by its id
     * @param so what is otherwise with it
     * @param properties the file with its properties, in the demo's folder
     */
    record OnBench(
            String name,
            String mode,
            Optional<String> listing,
            Optional<String> banner,
            String phone,
            Map<String, String> so,
            Optional<String> properties) {
        OnBench {
            so = so == null ? Map.of() : Map.copyOf(so);
        }
    }

    static DrawerFile read(Path demo) throws IOException {
        return JsonMapper.builder(new YAMLFactory())
                .addModule(new Jdk8Module())
                .build()
                .readValue(demo.resolve("drawer.yaml").toFile(), DrawerFile.class);
    }

    /** The cable that belongs to a workspace; nothing hangs on it where the workspace has no demo. */
    public static PhoneLink benchOf(Path workspace) {
        return new DemoCable(workspace);
    }

    static BenchCable bench(Path workspace) throws IOException {
        Path demo = workspace.resolve("bench");
        if (!Files.exists(demo.resolve("drawer.yaml"))) {
            return new BenchCable(List.of());
        }
        Map<String, BenchTruth> known = BenchFolder.read(List.of(workspace.resolve("catalogue"))).stream()
                .collect(Collectors.toMap(BenchTruth::id, one -> one));
        List<CablePhone> phones = new ArrayList<>();
        for (OnBench phone : read(demo).bench()) {
            CablePhone hung = new CablePhone(
                    phone.name(),
                    truth(known, phone),
                    text(demo, phone.listing()),
                    text(demo, phone.banner()),
                    files(demo, phone.properties()));
            if (phone.mode().equals("off")) {
                hung.does(new Stimulus.SwitchOff());
            }
            phones.add(hung);
        }
        return new BenchCable(phones);
    }

    private static BenchTruth truth(Map<String, BenchTruth> known, OnBench phone) throws IOException {
        BenchTruth truth = known.get(phone.phone());
        if (truth == null) {
            throw new UnreadableInput("The demo's cable names a phone that the bench does not have: " + phone.phone());
        }
        Map<Fact, String> so = new EnumMap<>(Fact.class);
        phone.so().forEach((key, value) -> Fact.ofKey(key).ifPresent(fact -> so.put(fact, value)));
        return truth.knowing(so);
    }

    private static Map<String, PhoneFile> files(Path demo, Optional<String> properties) throws IOException {
        return properties.isEmpty()
                ? Map.of()
                : Map.of(CablePhone.PROPERTIES, PhoneFile.ofSystem(Files.readAllBytes(demo.resolve(properties.get()))));
    }

    private static String text(Path demo, Optional<String> name) throws IOException {
        return name.isEmpty() ? "" : Files.readString(demo.resolve("readings").resolve(name.get()));
    }
}
