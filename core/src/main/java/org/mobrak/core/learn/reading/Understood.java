package org.mobrak.core.learn.reading;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.learn.page.Text;

/**
 * Everything that a guide says, before it becomes drafts.
 *
 * @param phones by the key of its model number, each phone it is for
 * @param listed phones of a table that names makers or shop names, whatever the guide is for
 * @param excluded phones it is not for
 * @param doubtful phones that are only named
 * @param needs by the key of a fact and its value
 * @param effects by the key of a fact
 */
public record Understood(
        Optional<Read<String>> title,
        Optional<String> family,
        Map<String, Phone> phones,
        List<Phone> listed,
        Map<String, Read<String>> excluded,
        Map<String, Read<String>> doubtful,
        List<Read<String>> excludedBuilds,
        List<Read<String>> excludedCarriers,
        List<Read<Versions>> versions,
        List<File> files,
        List<ToolRead> tools,
        Map<String, Map<String, Read<String>>> needs,
        Map<String, Read<String>> effects,
        List<Read<String>> writes,
        Optional<Read<Boolean>> wipes,
        Optional<Read<Integer>> battery,
        Optional<Read<BigDecimal>> price,
        String currency,
        List<Step> steps,
        List<Read<String>> dangers,
        Map<String, List<Read<String>>> markets,
        Optional<Read<ThingsReading.Bounds>> kernel,
        Optional<Read<String>> bootloader,
        Optional<Read<LocalDate>> written,
        Optional<Read<LocalDate>> updated,
        List<Odd> odd,
        List<Told> told,
        boolean guide,
        String why,
        List<Text> chatter,
        boolean cut) {

    /** Something odd about what is said. */
    public record Odd(String code, int line, String text) {}

    /** A phone, with what holds for it alone. */
    public record Phone(
            Read<String> model,
            Optional<Read<String>> maker,
            Optional<Read<String>> shop,
            Optional<Read<String>> carrier,
            Optional<Read<String>> chipset,
            List<Read<Versions>> versions,
            List<Read<String>> builds,
            Optional<Read<Integer>> battery) {}

    /**
     * A file.
     *
     * @param models keys of the phones it is for; empty where it is for all
     * @param versions OS versions it is for, by the key of a phone
     * @param builds builds it is for, by the key of a phone
     * @param instead whether it takes the place of another there
     */
    public record File(
            Read<String> name,
            String role,
            Map<String, Read<String>> sums,
            Optional<Read<Long>> bytes,
            Optional<Read<String>> slot,
            Optional<String> partition,
            Optional<Boolean> keepZipped,
            Optional<String> where,
            List<String> models,
            Map<String, List<String>> versions,
            Map<String, List<String>> builds,
            boolean instead) {}

    /**
     * A step.
     *
     * @param takes the names of the files that it takes
     * @param byItself whether the phone goes into the mode after what was done before
     * @param wipes whether it tells that the data goes
     */
    public record Step(
            Read<String> text,
            String phase,
            Optional<String> mode,
            Optional<Read<String>> keys,
            Optional<String> sign,
            Optional<Read<Integer>> normal,
            Optional<Read<Integer>> worry,
            List<StepRead.Remedy> remedies,
            boolean noReturn,
            List<String> takes,
            boolean byItself,
            boolean wipes) {}

    /** What a sentence was taken for. */
    public record Told(Sentence sentence, Role role) {}

    /** What a line of a guide is. */
    public enum Role {
        UNPLACED,
        TITLE,
        STEP,
        REQUIREMENT,
        FILE,
        EXCLUDED,
        PHONE,
        WAIT,
        REMEDY,
        SIGN,
        DANGER,
        EDIT,
        REPORT,
        WITHDRAWN,
        QUOTED,
        NAVIGATION,
        TALK;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }
}
