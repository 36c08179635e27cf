package org.mobrak.app.workshop;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.file.Trial;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.job.Step;
import org.mobrak.core.learn.GuideView;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.Questions;
import org.mobrak.core.learn.form.Form;

/**
 * The workshop as it stands.
 *
 * @param guide the text with what was understood marked in it; without lines where an entry of the catalogue was opened
 * @param warnings what is odd about the text
 * @param unplaced lines that look like orders or conditions and were not understood; they stand in the way of confirming
 * @param since what is otherwise than in the guide that lay here before
 * @param drafts the names of all drafts on the table; empty where nothing was learnt
 * @param chosen which of them is looked at
 * @param draft that one; empty where there is none
 */
public record WorkshopView(
        GuideView guide,
        List<Lesson.Warning> warnings,
        List<GuideView.Line> unplaced,
        Since since,
        List<String> drafts,
        int chosen,
        Optional<OnTable> draft) {
    public WorkshopView {
        warnings = List.copyOf(warnings);
        unplaced = List.copyOf(unplaced);
        drafts = List.copyOf(drafts);
    }

    /**
     * The draft that is looked at.
     *
     * @param newModels those that no phone of the catalogue has, so that maker and shop name are asked
     * @param open what is still to be answered
     * @param left the fields whose question is left open
     * @param found what the check of the catalogue says of it
     * @param alike what the catalogue has already for the same phones
     * @param phones how it stands with the phones of the drawer
     * @param trial what would be done with it; empty while a fault forbids it
     * @param file in which it is saved
     * @param confirmed whether what is saved is planned with
     */
    public record OnTable(
            Form form,
            String maker,
            String shopName,
            Set<String> newModels,
            List<Questions.Question> open,
            Set<String> left,
            List<Trial.Found> found,
            List<String> alike,
            List<OnPhone> phones,
            Optional<Trying> trial,
            Optional<String> file,
            boolean confirmed) {
        public OnTable {
            open = List.copyOf(open);
            left = Set.copyOf(left);
            found = List.copyOf(found);
            alike = List.copyOf(alike);
            phones = List.copyOf(phones);
        }

        /** What must be mended before it can be confirmed. */
        public List<Trial.Found> faults() {
            return found.stream().filter(one -> !one.fault().isWarning()).toList();
        }
    }

    /** How a draft stands with a phone. */
    public record OnPhone(String nickname, Verdict verdict, String because) {}

    /**
     * What would be done with a draft.
     *
     * @param steps of the run sheet; empty where no plan takes the route
     * @param why no plan does
     */
    public record Trying(String phone, String goal, List<Step> steps, String why) {
        public Trying {
            steps = List.copyOf(steps);
        }
    }
}
