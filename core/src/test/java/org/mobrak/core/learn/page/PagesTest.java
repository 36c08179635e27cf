package org.mobrak.core.learn.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every form in which a guide is written becomes the same blocks, each character on its line. */
class PagesTest {
    private static Page page(String text) {
        return Pages.of("x", text.getBytes(StandardCharsets.UTF_8));
    }

    private static List<String> shown(Page page) {
        return page.blocks().stream()
                .map(block -> block.kind() + " " + block.text().value())
                .toList();
    }

    private static List<List<String>> rows(Page page) {
        return page.blocks().stream()
                .filter(block -> block.kind() == Block.Kind.ROW || block.kind() == Block.Kind.HEAD)
                .map(block ->
                        block.cells().stream().map(cell -> cell.text().value()).toList())
                .toList();
    }

    @Test
    void linesThatWereWrappedAreOneBlockAndKnowTheirLines() {
        Page page = page("The battery must be at seventy five percent or more before you begin with writ-\n"
                + "ing the modem part, which takes its time and must not be interrupted by anyone.\n\nNext.\n");
        Text text = page.blocks().get(0).text();
        assertThat(text.value()).contains("writing the modem part");
        assertThat(text.lineAt(text.value().indexOf("battery"))).isEqualTo(1);
        assertThat(text.lineAt(text.value().indexOf("modem"))).isEqualTo(2);
        assertThat(text.sub(text.value().indexOf("modem"), text.value().length())
                        .firstLine())
                .isEqualTo(2);
    }

    @Test
    void headingsListsAndStepsAreToldByTheirMarks() {
        assertThat(
                        shown(
                                page(
                                        "Title of it\n===========\n\n## Needed\n- cable\n- battery\n\n1. Do this\n   and that\n2) Then that\na) or so\n")))
                .containsExactly(
                        "HEADING Title of it",
                        "HEADING Needed",
                        "ITEM cable",
                        "ITEM battery",
                        "STEP Do this and that",
                        "STEP Then that",
                        "STEP or so");
        assertThat(shown(page("[B]Needed[/B]\n[LIST=1]\n[*]One\n[*]Two [S]old[/S]\n[/LIST]\n")))
                .containsExactly("HEADING Needed", "STEP One", "STEP Two");
        assertThat(page("Works on [s]AB-1[/s] AB-2 and ~~AB-3~~.\n").struck())
                .extracting(Text::value)
                .containsExactly("AB-1", "AB-3");
    }

    @Test
    void whatAPageDoesNotShowIsNotReadAndWhatStandsAboutItIsPassedOver() {
        Page page = page("""
                <html><head><style>.x9{display:none}</style></head><body><nav>Home</nav>
                <h1>Root</h1>
                <p class="x9">hidden one</p><p style="visibility: hidden">hidden two</p><p hidden>hidden three</p>
                <p>Get <a href="http://x.example/get.php?f=tool-1.zip">this</a><sup>1</sup>.<br>
                Second line.</p>
                <template>no</template><!-- no --><div id="cookie">Fine?</div>
                <ol><li>Do it</li></ol>
                </body></html>
                """);
        assertThat(shown(page))
                .noneMatch(text -> text.contains("hidden") || text.contains("Home") || text.contains("Fine"))
                .contains("HEADING Root", "STEP Do it")
                .anyMatch(text -> text.contains("this (tool-1.zip) ¹"));
        assertThat(page.passed()).extracting(Page.Passed::why).contains(Page.Why.HIDDEN, Page.Why.NAVIGATION);
    }

    @Test
    void tablesOfEveryFormBecomeRowsUnderTheirHead() {
        List<List<String>> wanted = List.of(List.of("model", "os", "file"), List.of("AB-1", "4.1", "a.zip"));
        assertThat(rows(page("| model | os | file |\n|--|:-:|--|\n| AB-1 | 4.1 | a.zip |\n")))
                .isEqualTo(wanted);
        assertThat(rows(page("model;os;file\nAB-1;4.1;a.zip\nAB-2;4.2;b.zip\n")).subList(0, 2))
                .isEqualTo(wanted);
        assertThat(rows(page("Text above.\n\nmodel\tos\tfile\nAB-1\t4.1\ta.zip\n")))
                .isEqualTo(wanted);
        assertThat(rows(page("  model   os    file\n  AB-1    4.1   a.zip\n"))).isEqualTo(wanted);
        assertThat(
                        rows(
                                page(
                                        "[tr][th]model[/th][th]os[/th][th]file[/th][/tr]\n[tr][td]AB-1[/td][td]4.1[/td][td]a.zip[/td][/tr]\n")))
                .isEqualTo(wanted);
        assertThat(
                        rows(
                                page(
                                        "<table><tr><th>model</th><th>os</th><th>file</th></tr><tr><td>AB-1</td><td rowspan=2>4.1</td><td>a.zip</td></tr>"
                                                + "<tr><td>AB-2</td><td>b.zip</td></tr><tr><td><s>AB-3</s></td><td><s>4.1</s></td><td><s>c.zip</s></td></tr></table>")))
                .containsExactly(
                        List.of("model", "os", "file"),
                        List.of("AB-1", "4.1", "a.zip"),
                        List.of("AB-2", "4.1", "b.zip"));
    }

    @Test
    void captionsAreTheWordsOfTheirCuesAndTalksLoseTheNamesOfTheirSpeakers() {
        Page captions = page(
                "WEBVTT\n\n00:01.000 --> 00:02.000\nwe take b v seven\n\n00:02.100 --> 00:03.000\nand press power\n");
        assertThat(captions.spoken()).isTrue();
        assertThat(shown(captions)).containsExactly("CAPTION we take b v seven", "CAPTION and press power");
        assertThat(captions.blocks().get(1).text().firstLine()).isEqualTo(7);
        assertThat(shown(page(
                        "Ann: take the cable\nBo: which one\nAnn: the short one\nBo: done\nAnn: press it\nBo: yes\n")))
                .contains("PARAGRAPH take the cable")
                .noneMatch(text -> text.contains("Bo:"));
        assertThat(shown(page("[12:03] <ann> press power\n[12:04] <bo> ok\n"))).contains("PARAGRAPH press power");
    }

    @Test
    void whatIsQuotedTwiceIsQuotedAndCodeIsCode() {
        assertThat(shown(page("Answer.\n\n> once\n>> twice\n\n```\ntool flash x.img\n```\n")))
                .containsExactly("PARAGRAPH Answer.", "QUOTE once", "QUOTE twice", "CODE tool flash x.img");
    }
}
