package org.mobrak.desktop.help;

import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.BulletList;
import org.commonmark.node.Emphasis;
import org.commonmark.node.Heading;
import org.commonmark.node.ListItem;
import org.commonmark.node.Paragraph;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.StrongEmphasis;
import org.commonmark.parser.Parser;
import org.mobrak.core.identity.VisibleText;
import org.mobrak.desktop.parts.Texts;

/** The help's few forms of Markdown as text on the screen: headings, paragraphs, lists, strong and emphasised words. */
final class Markdown {
    private Markdown() {}

    static VBox drawn(String text) {
        VBox drawn = new VBox();
        drawn.getStyleClass().add("help-text");
        Parser.builder().build().parse(text).accept(new Blocks(drawn));
        return drawn;
    }

    /** Blocks below each other. */
    private static final class Blocks extends AbstractVisitor {
        private final VBox into;

        Blocks(VBox into) {
            this.into = into;
        }

        @Override
        public void visit(Heading heading) {
            into.getChildren().add(Texts.wrapped(Texts.heading(words(heading))));
        }

        @Override
        public void visit(Paragraph paragraph) {
            into.getChildren().add(flow(paragraph));
        }

        @Override
        public void visit(BulletList list) {
            for (var item = list.getFirstChild(); item != null; item = item.getNext()) {
                VBox content = new VBox();
                ((ListItem) item).accept(new Inside(content));
                HBox line = new HBox(Texts.plain("•"), content);
                line.getStyleClass().add("help-item");
                into.getChildren().add(line);
            }
        }
    }

    private static final class Inside extends AbstractVisitor {
        private final VBox into;

        Inside(VBox into) {
            this.into = into;
        }

        @Override
        public void visit(Paragraph paragraph) {
            into.getChildren().add(flow(paragraph));
        }
    }

    private static Node flow(org.commonmark.node.Node block) {
        TextFlow flow = new TextFlow();
        block.accept(new Words(flow));
        return flow;
    }

    private static String words(org.commonmark.node.Node block) {
        TextFlow flow = new TextFlow();
        block.accept(new Words(flow));
        StringBuilder words = new StringBuilder();
        flow.getChildren().forEach(child -> words.append(((Text) child).getText()));
        return words.toString();
    }

    /** Words one behind the other, each in its voice. */
    private static final class Words extends AbstractVisitor {
        private final TextFlow into;
        private String voice = "plain";

        Words(TextFlow into) {
            this.into = into;
        }

        @Override
        public void visit(org.commonmark.node.Text text) {
            say(text.getLiteral());
        }

        @Override
        public void visit(SoftLineBreak lineBreak) {
            say(" ");
        }

        @Override
        public void visit(StrongEmphasis strong) {
            as("strong", strong);
        }

        @Override
        public void visit(Emphasis emphasis) {
            as("emphasis", emphasis);
        }

        private void as(String other, org.commonmark.node.Node node) {
            String before = voice;
            voice = other;
            visitChildren(node);
            voice = before;
        }

        private void say(String words) {
            Text text = new Text(VisibleText.of(words));
            text.getStyleClass().add("help-" + voice);
            into.getChildren().add(text);
        }
    }
}
