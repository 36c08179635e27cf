package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mobrak.core.learn.page.Block;
import org.mobrak.core.learn.page.Page;
import org.mobrak.core.learn.page.Text;

/** Reads pages as one guide: roles first, then values, each beside the words it stands with. */
public final class Understanding {
    /** A title stands among the first sentences, and above a table. */
    private static final int TITLE_AMONG = 6;

    private static final int LONGEST_TITLE = 120;

    private final Phrases phrases = Phrases.shipped();

    public Understood of(List<Page> pages) {
        Sentences.Parted parted = Sentences.of(pages);
        return new Reader(pages, parted).read();
    }

    /** One guide being read. */
    private final class Reader {
        private final List<Sentence> sentences;
        private final List<Text> struck;
        private final List<RowRead> rows;
        private final List<Understood.Odd> tableOdd;
        private final FilesReading files;
        private final ModelsReading models;
        private final Map<String, Understood.Phone> phones = new LinkedHashMap<>();
        private final Map<String, Read<String>> excluded = new LinkedHashMap<>();
        private final Map<String, Read<String>> doubtful = new LinkedHashMap<>();
        private final List<Read<String>> excludedCarriers = new ArrayList<>();
        private final List<Table> tables;
        private final List<Text> chatter;
        private final boolean cut;

        Reader(List<Page> pages, Sentences.Parted parted) {
            sentences = parted.sentences();
            tables = parted.tables();
            chatter = parted.chatter();
            cut = parted.cut();
            struck = pages.stream().flatMap(page -> page.struck().stream()).toList();
            TablesReading reading = new TablesReading();
            boolean tells = sentences.stream()
                    .anyMatch(sentence -> sentence.is(Block.Kind.STEP) && Acts.isAct(sentence)
                            || !FileNames.names(sentence.value()).isEmpty());
            rows = reading.read(parted.tables(), sentences).stream()
                    .map(row -> row.stance() == Stance.NONE && tells ? row.as(Stance.FOR) : row)
                    .toList();
            tableOdd = reading.odd();
            files = new FilesReading(sentences).read(struck);
            rowFiles();
            models = new ModelsReading(
                            sentences,
                            files.files().values().stream().map(FileRead::value).toList())
                    .read();
        }

        Understood read() {
            Optional<Read<String>> title = title();
            String titled = title.map(read -> Sentence.plain(read.value())).orElse("");
            FileRoles roles = new FileRoles(sentences);
            files.kept().forEach(file -> roles.tell(file, titled));
            NamesReading naming = new NamesReading(sentences);
            Map<String, NamesReading.Name> names = naming.read(models.models());
            VersionsReading versions = new VersionsReading(sentences, words(names, naming)).read();
            phones(names, naming.general(models.models()));
            pairs();
            corrections();
            files.newest();
            files.unspoken();
            files.used();
            List<Read<Versions>> shared = new ArrayList<>();
            versions(versions.versions(), shared);
            pairByVersion(shared);
            builds();
            StatesReading states = new StatesReading(sentences, phrases).read();
            Goals goals = new Goals(sentences, phrases, files.kept(), titled);
            List<StepRead> told = new StepsReading(sentences).read();
            Outcome outcome = new Outcome(goals, states, files.kept(), sentences, titled);
            List<ToolRead> tools = new ArrayList<>(versions.tools().values());
            Charge charge = Charge.in(sentences);
            Optional<Read<Money.Price>> price = Money.in(sentences);
            List<Understood.File> kept = files.kept().stream().map(this::file).toList();
            List<StepRead> steps = new Placing(told, kept).read(outcome.family());
            List<Read<String>> excludedBuilds = excludedBuilds();
            ThingsReading things = new ThingsReading(sentences);
            excludedCarriers.addAll(things.excludedCarriers());
            DaysReading days = new DaysReading(sentences);
            List<Understood.Odd> odd = new ArrayList<>(models.odd());
            odd.addAll(files.odd());
            odd.addAll(tableOdd);
            charge.clash().ifPresent(odd::add);
            Sifting sifting = new Sifting(sentences, phrases, rows, steps, kept, phones.size(), outcome);
            return new Understood(
                    title,
                    outcome.family(),
                    phones,
                    listed(),
                    excluded,
                    doubtful,
                    excludedBuilds,
                    excludedCarriers,
                    shared,
                    kept,
                    tools,
                    outcome.needs(),
                    outcome.effects(),
                    outcome.writes(),
                    outcome.wipes(),
                    charge.read().or(this::rowCharge),
                    price.map(read -> read.as(read.value().amount())),
                    price.map(read -> read.value().currency()).orElse(""),
                    steps.stream().map(Reader::step).toList(),
                    states.dangers(),
                    things.markets(),
                    things.kernel(),
                    things.bootloader(),
                    days.written(),
                    days.updated(),
                    odd,
                    new Roles(sentences, models, steps, outcome, states).told(),
                    sifting.isGuide(),
                    sifting.why(),
                    chatter,
                    cut);
        }

        private Optional<Read<Integer>> rowCharge() {
            return rows.stream().flatMap(row -> row.battery().stream()).findFirst();
        }

        private Optional<Read<String>> title() {
            int most = tables.isEmpty()
                    ? TITLE_AMONG
                    : Math.min(TITLE_AMONG, tables.get(0).before());
            return sentences.stream()
                    .limit(most)
                    .filter(sentence ->
                            sentence.value().chars().filter(Character::isLetter).count() > 8)
                    .filter(
                            sentence -> !sentence.lower()
                                    .matches(
                                            "(?:from|to|date|von|by|posted|webvtt|author|published)\\b.*|.{0,40}\\b(?:wrote|schrieb)\\b.*"))
                    .filter(sentence -> !GREETING.matcher(sentence.lower()).find())
                    .findFirst()
                    .map(sentence -> Read.of(
                            shortened(sentence.value()
                                    .replaceFirst("^(?i)(?:re|subject|tema|oggetto|aw|fwd): ?(?:re: ?){0,12}", "")),
                            sentence,
                            0,
                            Sure.LIKELY));
        }

        private static final Pattern GREETING = Pattern.compile(
                "^\\W*(?:hola|hi|hello|hey|good (?:morning|evening)|evening|morning|dear|thanks?|sorry|ciao|hallo|yo)\\b[^.!]{0,40}\\W*$|^\\W*\\((?:recording|music|intro)");

        private static String shortened(String text) {
            String line = text.replace('\n', ' ').strip();
            return line.length() <= LONGEST_TITLE ? line : line.substring(0, LONGEST_TITLE - 1) + "…";
        }

        private Set<String> words(Map<String, NamesReading.Name> names, NamesReading naming) {
            Set<String> words = new TreeSet<>();
            List<NamesReading.Name> all = new ArrayList<>(names.values());
            naming.general(models.models()).ifPresent(all::add);
            all.forEach(name -> {
                words.add(name.maker().toLowerCase(Locale.ROOT));
                if (!name.shop().isEmpty()) {
                    words.add(name.shop().split(" ")[0].toLowerCase(Locale.ROOT));
                }
            });
            models.models().keySet().forEach(words::add);
            words.remove("");
            return words;
        }

        // Files.

        private void rowFiles() {
            Set<String> good = rows.stream()
                    .filter(row -> row.stance() != Stance.AGAINST)
                    .flatMap(row -> row.files().stream().map(read -> key(read.value())))
                    .collect(Collectors.toSet());
            for (RowRead row : rows) {
                List<FileRead> own = new ArrayList<>();
                for (Read<String> name : row.files()) {
                    FileRead file = files.file(name.value(), name);
                    if (row.stance() == Stance.AGAINST && good.contains(key(name.value()))) {
                        continue;
                    }
                    if (row.stance() == Stance.AGAINST) {
                        file.withdrawn = true;
                    } else {
                        file.wanted = true;
                        own.add(file);
                    }
                }
                if (own.size() == 1) {
                    row.sums().forEach(sum -> own.get(0).sums.putIfAbsent(FileNames.kind(sum.value()), sum));
                }
            }
        }

        /** Files that stand with phones are for these phones. */
        private void pairs() {
            for (RowRead row : rows) {
                if (row.stance() == Stance.AGAINST) {
                    continue;
                }
                for (Read<String> name : row.files()) {
                    FileRead file = files.file(name.value(), name);
                    alone(row, file);
                    for (Read<String> model : row.models()) {
                        String key = ModelTokens.Token.key(model.value());
                        if (phones.containsKey(key)) {
                            file.models.add(key);
                            row.builds()
                                    .forEach(read -> file.builds
                                            .computeIfAbsent(key, none -> new LinkedHashSet<>())
                                            .add(read.value()));
                            row.versions()
                                    .forEach(read -> read.value()
                                            .exact()
                                            .ifPresent(version -> file.versions
                                                    .computeIfAbsent(key, none -> new LinkedHashSet<>())
                                                    .add(version)));
                        }
                    }
                }
            }
            unsure();
            if (phones.size() > 1 && files.kept().size() > 1) {
                files.kept().stream().filter(file -> file.models.isEmpty()).forEach(this::pairBySentence);
                files.kept().stream().filter(file -> file.models.isEmpty()).forEach(this::pairByHeading);
                files.kept().stream().filter(file -> file.models.isEmpty()).forEach(this::pairByName);
            }
        }

        /** A file that stands only with phones of which nobody knows whether it fits is offered to none. */
        private void unsure() {
            for (RowRead row : rows) {
                boolean none = !row.models().isEmpty()
                        && row.models().stream()
                                .noneMatch(model -> phones.containsKey(ModelTokens.Token.key(model.value())));
                if (none && row.stance() != Stance.NONE) {
                    for (Read<String> name : row.files()) {
                        FileRead file = files.file(name.value(), name);
                        file.withdrawn |= file.models.isEmpty();
                    }
                }
            }
        }

        /** A row that names a build and no phone is of the one phone that the guide is for. */
        private void alone(RowRead row, FileRead file) {
            if (!row.models().isEmpty() || row.builds().isEmpty() || phones.size() != 1) {
                return;
            }
            Map.Entry<String, Understood.Phone> only =
                    phones.entrySet().iterator().next();
            file.models.add(only.getKey());
            for (Read<String> build : row.builds()) {
                file.builds
                        .computeIfAbsent(only.getKey(), none -> new LinkedHashSet<>())
                        .add(build.value());
                if (only.getValue().builds().stream()
                        .noneMatch(old -> old.value().equals(build.value()))) {
                    only.getValue().builds().add(build);
                }
            }
        }

        private static String key(String name) {
            return name.toLowerCase(Locale.ROOT);
        }

        private static final Pattern SHORT_MODEL =
                Pattern.compile("(?<![\\w.-])[A-Za-z]{0,6}[-_.]?\\d{2,5}[A-Za-z]{0,3}(?![\\w.-]|\\.\\w)");
        private static final Cue INSTEAD = Cues.of("understanding.instead");

        /** What a line below a table puts right: this file is for that phone, and no other. */
        private void corrections() {
            for (Sentence sentence : sentences) {
                List<FileNames.Found> names = FileNames.names(sentence.value());
                if (names.size() != 1 || rows.isEmpty() || !INSTEAD.in(sentence.lower())) {
                    continue;
                }
                FileRead file = files.file(
                        names.get(0).value(),
                        Read.of(names.get(0).value(), sentence, names.get(0).start(), Sure.LIKELY));
                List<String> beside = beside(sentence);
                boolean listed = rows.stream()
                        .anyMatch(row -> row.files().stream()
                                .anyMatch(read -> read.value().equalsIgnoreCase(file.value())));
                if (!listed) {
                    file.models.addAll(beside);
                    replaced(file, beside);
                } else if (beside.size() == 1) {
                    file.models.clear();
                    file.versions.clear();
                    file.models.add(beside.get(0));
                    addAlike(beside.get(0));
                }
            }
        }

        /** The phones that a sentence speaks for, also where only the end of a number is said. */
        private List<String> beside(Sentence sentence) {
            Set<String> known = new LinkedHashSet<>(phones.keySet());
            rows.forEach(row -> row.models().forEach(model -> known.add(ModelTokens.Token.key(model.value()))));
            List<String> beside = new ArrayList<>();
            Matcher words = SHORT_MODEL.matcher(sentence.value());
            while (words.find()) {
                String key = ModelTokens.Token.key(words.group());
                List<String> meant = known.contains(key)
                        ? List.of(key)
                        : known.stream().filter(one -> one.endsWith(key)).toList();
                if (meant.size() == 1
                        && Stance.of(sentence, words.start(), words.end()) != Stance.AGAINST
                        && !beside.contains(meant.get(0))) {
                    beside.add(meant.get(0));
                }
            }
            return beside;
        }

        /** A phone that a correction names is in, as its sisters of the table are. */
        private void addAlike(String key) {
            rows.stream()
                    .filter(row -> row.models().stream()
                            .anyMatch(model ->
                                    ModelTokens.Token.key(model.value()).equals(key)))
                    .filter(row -> row.stance() != Stance.AGAINST)
                    .findFirst()
                    .ifPresent(row -> {
                        doubtful.remove(key);
                        row.models().stream()
                                .filter(model ->
                                        ModelTokens.Token.key(model.value()).equals(key))
                                .findFirst()
                                .ifPresent(model -> addRow(key, model, row.as(Stance.FOR), Map.of(), Optional.empty()));
                    });
        }

        /** A file that no row has takes the place of the one that is called alike. */
        private void replaced(FileRead file, List<String> beside) {
            String alike = pattern(file.value());
            files.kept().stream()
                    .filter(other -> other != file && pattern(other.value()).equals(alike) && !other.models.isEmpty())
                    .filter(other -> beside.isEmpty() || other.models.stream().anyMatch(beside::contains))
                    .findFirst()
                    .ifPresent(other -> {
                        file.models.addAll(beside.isEmpty() ? other.models : beside);
                        file.wanted = true;
                        file.withdrawn = false;
                        if (beside.isEmpty() || other.models.size() == beside.size()) {
                            other.withdrawn = true;
                        } else {
                            other.models.removeAll(beside);
                        }
                    });
        }

        private static String pattern(String name) {
            return name.toLowerCase(Locale.ROOT).replaceAll("(?<=[-_.])[rvb]?\\d+(?:\\.\\d+){0,12}", "#");
        }

        /** A file that stands with one phone in its sentence, and with others nowhere, is for that phone. */
        private void pairBySentence(FileRead file) {
            Set<String> beside = new LinkedHashSet<>();
            for (Sentence sentence : file.sentences) {
                if (FileNames.names(sentence.value()).size() == 1) {
                    models.models().forEach((key, named) -> {
                        if (phones.containsKey(key)
                                && named.mentions().stream().anyMatch(mention -> mention.sentence() == sentence)) {
                            beside.add(key);
                        }
                    });
                }
            }
            boolean others = files.kept().stream()
                    .anyMatch(other -> other != file && extension(other).equals(extension(file)));
            if (beside.size() == 1 && others) {
                file.models.addAll(beside);
            }
        }

        /** “A.img for 4.4.4”, “B.img for 4.4.2”: files of one kind, each for another version. */
        private void pairByVersion(List<Read<Versions>> shared) {
            Map<FileRead, Read<String>> told = new LinkedHashMap<>();
            files.kept().stream()
                    .filter(file -> file.versions.isEmpty())
                    .forEach(file -> FilesReading.version(file).ifPresent(version -> told.put(file, version)));
            Set<String> versions = told.values().stream().map(Read::value).collect(Collectors.toSet());
            boolean oneKind =
                    told.keySet().stream().map(Reader::extension).distinct().count() == 1;
            if (versions.size() < 2 || !oneKind) {
                return;
            }
            told.forEach((file, version) -> {
                Set<String> own = file.models.isEmpty() ? Set.copyOf(phones.keySet()) : Set.copyOf(file.models);
                own.stream().filter(phones::containsKey).forEach(key -> bind(file, key, version));
            });
            shared.removeIf(
                    read -> read.value().exact().filter(versions::contains).isPresent());
        }

        private void bind(FileRead file, String key, Read<String> version) {
            file.models.add(key);
            file.versions.computeIfAbsent(key, none -> new LinkedHashSet<>()).add(version.value());
            Optional.ofNullable(phones.get(key))
                    .filter(phone -> phone.versions().stream()
                            .noneMatch(read -> read.value()
                                    .exact()
                                    .filter(version.value()::equals)
                                    .isPresent()))
                    .ifPresent(phone -> phone.versions().add(version.as(Versions.exactly(version.value()))));
        }

        /** A file below the heading of one phone, where other phones have headings too. */
        private void pairByHeading(FileRead file) {
            Set<String> below = new LinkedHashSet<>();
            for (Sentence sentence : file.sentences) {
                for (String head : sentence.heads()) {
                    List<String> own = ModelTokens.in(head.toUpperCase(Locale.ROOT)).stream()
                            .map(ModelTokens.Token::key)
                            .filter(phones::containsKey)
                            .toList();
                    if (own.size() == 1) {
                        below.addAll(own);
                    }
                }
            }
            if (below.size() == 1) {
                file.models.addAll(below);
            }
        }

        private static String extension(FileRead file) {
            return file.value().substring(file.value().lastIndexOf('.') + 1);
        }

        private void pairByName(FileRead file) {
            String key = ModelTokens.Token.key(file.value()).replace(".", "");
            List<String> in = phones.keySet().stream()
                    .filter(model -> key.contains(model.replace(".", "")))
                    .toList();
            in.stream().max(java.util.Comparator.comparingInt(String::length)).ifPresent(file.models::add);
        }

        private Understood.File file(FileRead file) {
            Map<String, List<String>> versions = new LinkedHashMap<>();
            file.versions.forEach((model, some) -> versions.put(model, List.copyOf(some)));
            Map<String, List<String>> builds = new LinkedHashMap<>();
            file.builds.forEach((model, some) -> builds.put(model, List.copyOf(some)));
            return new Understood.File(
                    file.name,
                    file.role,
                    Map.copyOf(file.sums),
                    file.bytes,
                    file.slot,
                    file.partition,
                    file.keepZipped,
                    file.where,
                    List.copyOf(file.models),
                    versions,
                    builds,
                    file.instead);
        }

        // Phones.

        private void phones(Map<String, NamesReading.Name> names, Optional<NamesReading.Name> general) {
            Map<String, RowRead> good = new LinkedHashMap<>();
            for (RowRead row : rows) {
                row.models().forEach(model -> {
                    String key = ModelTokens.Token.key(model.value());
                    if (row.stance() == Stance.FOR) {
                        good.putIfAbsent(key, row);
                    }
                });
            }
            for (RowRead row : rows) {
                row.models().forEach(model -> {
                    String key = ModelTokens.Token.key(model.value());
                    boolean spoken = Optional.ofNullable(models.models().get(key))
                            .filter(named -> named.stance() == Stance.AGAINST)
                            .isPresent();
                    if (row.stance() == Stance.AGAINST && good.containsKey(key)) {
                        // The same phone with another network's name on it.
                        row.carrier()
                                .filter(carrier -> rows.stream()
                                        .filter(other -> other.stance() == Stance.FOR)
                                        .flatMap(other -> other.carrier().stream())
                                        .noneMatch(other -> other.value().equalsIgnoreCase(carrier.value())))
                                .filter(carrier -> row.files().isEmpty())
                                .ifPresent(excludedCarriers::add);
                        return;
                    }
                    if (!good.containsKey(key)) {
                        (row.stance() == Stance.AGAINST ? excluded : doubtful).putIfAbsent(key, model);
                    } else if (!spoken || row.stance() == Stance.FOR && tables.size() > 0 && !isOutInText(key)) {
                        addRow(key, model, row, names, general);
                    }
                });
            }
            models.models().forEach((key, named) -> {
                if (named.stance() == Stance.AGAINST && !phones.containsKey(key)) {
                    excluded.putIfAbsent(key, named.read());
                } else if (named.stance() == Stance.FOR && !phones.containsKey(key) && !excluded.containsKey(key)) {
                    Optional<NamesReading.Name> name = Optional.ofNullable(names.get(key));
                    phones.put(
                            key,
                            new Understood.Phone(
                                    named.read(),
                                    name.filter(one -> !one.maker().isEmpty()).map(this::maker),
                                    name.flatMap(this::shop),
                                    Optional.empty(),
                                    Optional.empty(),
                                    new ArrayList<>(),
                                    new ArrayList<>(),
                                    Optional.empty()));
                } else if (!phones.containsKey(key) && !excluded.containsKey(key)) {
                    doubtful.putIfAbsent(key, named.read());
                }
            });
            excluded.keySet().removeAll(phones.keySet());
            doubtful.keySet().removeAll(phones.keySet());
            doubtful.keySet().removeAll(excluded.keySet());
        }

        private boolean isOutInText(String key) {
            return Optional.ofNullable(models.models().get(key))
                    .filter(named -> named.mentions().stream().allMatch(mention -> mention.stance() == Stance.AGAINST))
                    .isPresent();
        }

        private void addRow(
                String key,
                Read<String> model,
                RowRead row,
                Map<String, NamesReading.Name> names,
                Optional<NamesReading.Name> general) {
            if (row.stance() != Stance.FOR) {
                return;
            }
            Understood.Phone old = phones.get(key);
            if (old == null) {
                Optional<Read<String>> maker = row.maker()
                        .or(() -> Optional.ofNullable(names.get(key))
                                .or(() -> general)
                                .filter(one -> !one.maker().isEmpty())
                                .map(this::maker));
                phones.put(
                        key,
                        new Understood.Phone(
                                model,
                                maker,
                                row.shop()
                                        .or(() -> Optional.ofNullable(names.get(key))
                                                .flatMap(this::shop)),
                                row.carrier(),
                                row.chipset(),
                                new ArrayList<>(row.versions()),
                                new ArrayList<>(row.builds()),
                                row.battery()));
            } else {
                row.versions().stream()
                        .filter(read -> old.versions().stream()
                                .noneMatch(other -> other.value().equals(read.value())))
                        .forEach(old.versions()::add);
                old.builds().addAll(row.builds());
            }
        }

        /** Phones of a list of handsets: it teaches them, though no way. */
        private List<Understood.Phone> listed() {
            return rows.stream()
                    .filter(row -> row.maker().isPresent() && row.shop().isPresent())
                    .flatMap(row -> row.models().stream()
                            .limit(1)
                            .map(model -> new Understood.Phone(
                                    model,
                                    row.maker(),
                                    row.shop(),
                                    row.carrier(),
                                    row.chipset(),
                                    List.of(),
                                    List.of(),
                                    Optional.empty())))
                    .toList();
        }

        private Read<String> maker(NamesReading.Name name) {
            return Read.of(
                    name.maker(),
                    name.sentence(),
                    Math.max(0, name.sentence().value().indexOf(name.maker())),
                    Sure.LIKELY);
        }

        private Optional<Read<String>> shop(NamesReading.Name name) {
            return name.shop().isEmpty()
                    ? Optional.empty()
                    : Optional.of(Read.of(
                            name.shop(),
                            name.sentence(),
                            Math.max(0, name.sentence().value().indexOf(name.shop())),
                            Sure.LIKELY));
        }

        // Versions and builds.

        private void versions(List<VersionsReading.OsRead> read, List<Read<Versions>> shared) {
            boolean tabled =
                    phones.values().stream().anyMatch(phone -> !phone.versions().isEmpty());
            for (VersionsReading.OsRead one : read) {
                if (one.to() || one.stance() == Stance.AGAINST || one.stance() == Stance.UNSURE || tabled) {
                    continue;
                }
                List<Understood.Phone> beside = phones.size() < 2 ? List.of() : beside(one);
                if (beside.isEmpty()) {
                    if (shared.stream().noneMatch(other -> other.value().equals(one.versions()))) {
                        shared.add(one.read().as(one.versions()));
                    }
                } else {
                    beside.forEach(phone -> phone.versions().add(one.read().as(one.versions())));
                }
            }
        }

        /** The phones that stand in the same clause as a version. */
        private List<Understood.Phone> beside(VersionsReading.OsRead one) {
            String lower = one.sentence().lower();
            int from = Stance.clauseStart(lower, one.start());
            int to = Stance.clauseEnd(lower, one.start());
            return models.models().entrySet().stream()
                    .filter(entry -> phones.containsKey(entry.getKey()))
                    .filter(entry -> entry.getValue().mentions().stream()
                            .anyMatch(mention -> mention.sentence() == one.sentence()
                                    && mention.start() >= from
                                    && mention.start() < to))
                    .map(entry -> phones.get(entry.getKey()))
                    .toList();
        }

        private void builds() {
            models.builds().forEach((key, named) -> {
                boolean later = named.mentions().stream().allMatch(mention -> mention.isLater() || mention.isAside());
                Optional<FileRead> other = insteadOn(named);
                if (named.stance() == Stance.FOR
                        || named.stance() == Stance.NONE
                                && named.mentions().stream().anyMatch(Reader::isOwnBuild)) {
                    List<Understood.Phone> own = phones.values().stream()
                            .filter(phone -> phones.size() == 1
                                    || named.mentions().stream()
                                            .anyMatch(mention -> mention.sentence()
                                                            .value()
                                                            .contains(phone.model()
                                                                    .value())
                                                    || key.startsWith(ModelTokens.Token.key(
                                                            phone.model().value()))))
                            .toList();
                    if (own.size() == 1 && other.isPresent()) {
                        String model = ModelTokens.Token.key(own.get(0).model().value());
                        other.get().models.add(model);
                        other.get().instead = true;
                        other.get()
                                .builds
                                .computeIfAbsent(model, none -> new LinkedHashSet<>())
                                .add(named.value());
                    }
                    if (!later
                            && own.size() == 1
                            && own.get(0).builds().stream()
                                    .noneMatch(build -> build.value().equals(named.value()))) {
                        own.get(0).builds().add(named.read());
                    }
                }
            });
        }

        /** Where builds stand that a guide is for: labelled, in a list, or where it says what it is about. */
        private static boolean isOwnBuild(Mention mention) {
            return mention.stance() == Stance.NONE
                    && !mention.isAside()
                    && !mention.isLater()
                    && (mention.isOfABuild()
                            || mention.sentence().isListed()
                            || mention.sentence().index() < 4);
        }

        /** “On build 33 you need that.img instead”: the file that goes with a build alone. */
        private Optional<FileRead> insteadOn(ModelsReading.Named build) {
            return build.mentions().stream()
                    .map(Mention::sentence)
                    .filter(sentence -> ON_BUILD.matcher(sentence.lower()).find()
                            && sentence.lower().contains("instead"))
                    .flatMap(sentence -> files.kept().stream()
                            .filter(file -> sentence.value().contains(file.value())))
                    .findFirst();
        }

        private static final Pattern ON_BUILD =
                Pattern.compile("\\b(?:on|for|with|who has|if you have) (?:the )?build\\b");

        private List<Read<String>> excludedBuilds() {
            List<Read<String>> out = new ArrayList<>();
            models.builds().values().stream()
                    .filter(named -> named.stance() == Stance.AGAINST)
                    .forEach(named -> out.add(named.read()));
            rows.stream()
                    .filter(row -> row.stance() == Stance.AGAINST)
                    .flatMap(row -> row.builds().stream())
                    .filter(build -> phones.values().stream()
                            .flatMap(phone -> phone.builds().stream())
                            .noneMatch(other -> other.value().equals(build.value())))
                    .forEach(out::add);
            return out;
        }

        private static Understood.Step step(StepRead step) {
            Text text = step.text();
            Optional<String> sign =
                    step.signs.isEmpty() ? Optional.empty() : Optional.of(String.join("; ", step.signs));
            return new Understood.Step(
                    new Read<>(text.value(), text, 0, Sure.LIKELY),
                    step.phase,
                    step.mode,
                    step.keys,
                    sign,
                    step.normal,
                    step.worry,
                    List.copyOf(step.remedies),
                    step.noReturn,
                    List.copyOf(step.takes),
                    step.byItself,
                    step.wipes);
        }
    }
}
