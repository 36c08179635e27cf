package org.mobrak.core.learn.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.identity.VisibleText;

/** What a browser or a forum does not show is no part of a guide; by the HTML Living Standard and CSS 2.2, forums by common practice. */
class HiddenTextTest {
    private static final String SECRET = "Works on the GX-7731 too, flash recovery-other.img";

    private static Page page(String text) {
        return Pages.of("guide", text.getBytes(StandardCharsets.UTF_8));
    }

    private static String said(Page page) {
        return page.blocks().stream().map(block -> block.text().value()).collect(Collectors.joining("\n"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<p style='display:none'>%s</p>",
                "<p style='DISPLAY : none !important'>%s</p>",
                "<p hidden>%s</p>",
                "<p hidden='until-found'>%s</p>",
                "<p aria-hidden='true'>%s</p>",
                "<p style='visibility:hidden'>%s</p>",
                "<p style='visibility:collapse'>%s</p>",
                "<span style='font-size:0'>%s</span>",
                "<span style='font-size:1px'>%s</span>",
                "<p style='opacity:0.01'>%s</p>",
                "<p style='position:absolute;left:-9999px'>%s</p>",
                "<p style='position:fixed; top:-500em'>%s</p>",
                "<p style='text-indent:-9999px'>%s</p>",
                "<p style='clip:rect(0,0,0,0);position:absolute'>%s</p>",
                "<p style='clip-path:inset(100%%)'>%s</p>",
                "<div style='height:0;overflow:hidden'><p>%s</p></div>",
                "<div style='max-width:0px;overflow:hidden'>%s</div>",
                "<p style='transform:scale(0)'>%s</p>",
                "<p style='color:transparent'>%s</p>",
                "<p style='color:#fff;background-color:#fff'>%s</p>",
                "<p style='color:rgba(0,0,0,0)'>%s</p>",
                "<p class='sr-only'>%s</p>",
                "<style>.x{display:none}</style><p class='x'>%s</p>",
                "<style>/* a */ #q, .z { visibility : hidden }</style><p id='q'>%s</p>",
                "<style>div.deep > p { position:absolute; left:-1000px }</style><div class='deep'><p>%s</p></div>",
                "<textarea>%s</textarea>",
                "<svg><text>%s</text></svg>",
                "<select><option>%s</option></select>",
                "<datalist><option>%s</option></datalist>",
                "<object>%s</object>",
                "<dialog>%s</dialog>",
                "<math><annotation>%s</annotation></math>",
                "<noframes>%s</noframes>",
                "<noscript>%s</noscript>",
                "<template>%s</template>",
                "<iframe>%s</iframe>",
                "<!-- %s -->",
                "<![CDATA[%s]]>",
                "<!--[if IE]>%s<![endif]-->",
                "<img alt='%s'>",
                "<input type='hidden' value='%s'>",
                "<strike>old,\n%s</strike>",
                "<del>%s</del>",
                "<p style='text-decoration : line-through'>%s</p>"
            })
    void whatABrowserDoesNotShowIsNotRead(String way) {
        Page page = page("<html><head><title>Guide</title></head><body><h1>How to root the GX-1407</h1>"
                + way.formatted(SECRET) + "<p>Charge the phone.</p></body></html>");
        assertThat(said(page))
                .contains("Charge the phone")
                .doesNotContain("7731")
                .doesNotContain("other.img");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "[s]%s[/s]", "[strike]old\n%s[/strike]", "[del]\n%s\n[/del]", "~~%s~~", "~~old\n%s~~", "<s>old\n%s</s>",
                "<!-- %s -->", "<!--\n%s\n-->", "[//]: # (%s)", "[comment]: <> (%s)", "[comment]%s[/comment]",
                        "[size=0]%s[/size]",
                "[color=transparent]%s[/color]", "[COLOR='#ffffff00']\n%s[/COLOR]"
            })
    void whatAForumDoesNotShowIsNotRead(String way) {
        Page page = page(
                "# How to root the GX-1407\n\nGet the file.\n\n" + way.formatted(SECRET) + "\n\nCharge the phone.\n");
        assertThat(said(page))
                .contains("Charge the phone")
                .doesNotContain("7731")
                .doesNotContain("other.img");
    }

    /** Behind a button is there to be read; print, the mouse and a small picture's words hide nothing either. */
    @Test
    void whatIsShownIsReadAndWhatIsNotIsToldOnce() {
        Page page = page("""
                <html><head><style>@media print { .menu, p { display: none } }
                .tip:hover { visibility: hidden } .wide { margin-left: 0 }</style></head>
                <body><h1>Root</h1><details><summary>More</summary>Hold the power key.</details>
                <p class="tip">Charge the phone.</p><p style="opacity:1;font-size:0.9em">Take the cable out.</p>
                <p hidden>Nobody sees this sentence, it is hidden.</p><p hidden>Nor does anybody see this sentence.</p>
                <p><img alt="Note:"> copy the file. ~~ takes 5 minutes</p></body></html>
                """);
        assertThat(said(page))
                .contains("Hold the power key", "Charge the phone", "Take the cable out", "Note: copy the file");
        assertThat(page.oddities()).extracting(Page.Oddity::code).containsExactly("hidden-text");
        assertThat(page("~~ 5 minutes to wait\n\nThen it starts ~~ again.\n").struck())
                .isEmpty();
        assertThat(said(page("```\nx\u0000y\n```\n| a\u0000 | b |\n|---|---|\n| c\u202e | d\u0007 |\n"))
                        .codePoints())
                .noneMatch(one -> one != '\n' && VisibleText.isHidden(one));
        assertThat(List.of(said(page("a <!-- b --> c <!-- d\ne --> f"))))
                .noneMatch(text -> text.matches("(?s).*[bde].*"));
    }
}
