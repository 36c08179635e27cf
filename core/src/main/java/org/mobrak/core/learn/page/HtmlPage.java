package org.mobrak.core.learn.page;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.CDataNode;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import org.jsoup.parser.Parser;
import org.jsoup.select.NodeTraversor;
import org.jsoup.select.NodeVisitor;

/** A saved page: its main text as blocks. Scripts and styles are never run; what a browser does not show is not read. */
final class HtmlPage {
    /** No page that people write nests deeper; what does is read as one block. */
    private static final int DEEPEST = 200;

    /** Raised figures mark footnotes and are no part of a name. */
    private static final List<String> FOOTNOTES = List.of("¹", "²", "³", "⁴", "⁵");

    private static final int MOST_TAGS = 100_000;
    private static final int FEWEST_HIDDEN = 25;
    /** What stands in place of a small picture; a sentence there is seen by nobody. */
    private static final int LONGEST_IN_PLACE = 40;

    private static final Pattern AROUND = Pattern.compile(
            "(?i)(?:^|[^a-z])(?:nav|menu|crumbs?|breadcrumbs?|sidebar|side|foot|footer|cookies?|consent|related|mostread|advert|ads?|share|social|newsletter|subscribe|catlinks|mw-head|banner|comments?|respond|login|pagination|tags?)(?:[^a-z]|$)");
    private static final Pattern FILE = Pattern.compile(
            "([\\w.+-]{3,120}\\.(?!php|html?|aspx?|cgi|jsp|org|com|net|example)[A-Za-z0-9]{2,5})(?:[&#?][^/]*)?$");

    private final String file;
    private final List<Page.Oddity> oddities;
    private final List<Block> blocks = new ArrayList<>();
    private final List<Text> struck = new ArrayList<>();
    private final List<Page.Passed> passed = new ArrayList<>();

    HtmlPage(String file, List<Page.Oddity> oddities) {
        this.file = file;
        this.oddities = oddities;
    }

    Page read(String whole) {
        String text = bounded(whole);
        Document page = Parser.htmlParser().setTrackPosition(true).parseInput(text, "");
        HiddenElements hidden = new HiddenElements(page);
        leaveOut(
                page.select("script, style, template, noscript, head > meta, head > link, svg, iframe"),
                Page.Why.HIDDEN);
        for (Element element : page.body().select("*")) {
            if (element.parent() != null && hidden.has(element)) {
                tellHidden(element);
                leaveOut(element, Page.Why.HIDDEN);
            } else if (element.parent() != null && isAround(element)) {
                leaveOut(element, Page.Why.NAVIGATION);
            }
        }
        Element title = page.selectFirst("head > title");
        if (title != null && !title.text().isBlank() && page.body().selectFirst("h1") == null) {
            add(Block.Kind.HEADING, title, 0, "");
        }
        Element main = page.body().selectFirst("main, article");
        walk(main == null ? page.body() : main, 0, 0, "");
        return new Page(file, blocks, struck, passed, false, oddities);
    }

    /** A page of more tags than people write is cut there. */
    private String bounded(String text) {
        int tags = 0;
        for (int at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at + 1)) {
            if (++tags > MOST_TAGS) {
                oddities.add(
                        new Page.Oddity("cut-off", 1, "The page has more than 100,000 tags; the rest was not read."));
                return text.substring(0, at);
            }
        }
        return text;
    }

    /** Told once; words that would be a sentence are meant, not a button's. */
    private void tellHidden(Element element) {
        boolean told = oddities.stream().anyMatch(one -> one.code().equals("hidden-text"));
        if (!told && element.text().length() >= FEWEST_HIDDEN) {
            oddities.add(new Page.Oddity(
                    "hidden-text",
                    line(element),
                    "Here, and maybe further on, stand words that a browser does not show; they were not read."));
        }
    }

    /** Menus, notes and what stands about the text. */
    private static boolean isAround(Element element) {
        String name = element.normalName();
        if (name.equals("nav")
                || name.equals("footer")
                || name.equals("form")
                || name.equals("aside")
                || name.equals("button")) {
            return true;
        }
        boolean named = (name.equals("div") || name.equals("section") || name.equals("ul") || name.equals("p"))
                && AROUND.matcher(element.id() + " " + element.className()).find();
        return named && element.select("li, table, pre").size() < 8;
    }

    private void leaveOut(List<Element> elements, Page.Why why) {
        elements.forEach(element -> leaveOut(element, why));
    }

    private void leaveOut(Element element, Page.Why why) {
        int from = line(element);
        int to = Math.max(
                from,
                element.endSourceRange().isTracked()
                        ? element.endSourceRange().end().lineNumber()
                        : from);
        for (int line = from; line <= to && to - from < 10_000; line++) {
            passed.add(new Page.Passed(line, why));
        }
        element.remove();
    }

    private static int line(Node node) {
        return Math.max(1, node.sourceRange().start().lineNumber());
    }

    private static boolean isBlock(Element element) {
        return (element.isBlock() || element.normalName().equals("summary"))
                && !element.normalName().equals("br");
    }

    private static boolean holdsBlocks(Element element) {
        return element.children().stream().anyMatch(child -> isBlock(child) || holdsBlocks(child, 0));
    }

    private static boolean holdsBlocks(Element element, int depth) {
        return depth < 6
                && element.children().stream().anyMatch(child -> isBlock(child) || holdsBlocks(child, depth + 1));
    }

    private void walk(Element element, int depth, int list, String voice) {
        String name = element.normalName();
        if (depth > DEEPEST) {
            add(Block.Kind.PARAGRAPH, element, 0, voice);
            return;
        }
        if (name.equals("table")) {
            new HtmlTable(file, blocks, struck).read(element);
            return;
        }
        if (name.equals("pre")) {
            code(element);
            return;
        }
        boolean listed = name.equals("ol") || name.equals("ul") || name.equals("dl");
        if (!holdsBlocks(element)) {
            add(kind(element), element, list, voice);
            return;
        }
        if (name.equals("dt") || name.equals("summary")) {
            add(Block.Kind.HEADING, element, 3, voice);
            return;
        }
        Text.Builder words = new Text.Builder(file);
        for (Node child : element.childNodes()) {
            if (child instanceof Element inner && (isBlock(inner) || holdsBlocks(inner))) {
                flush(words, element, list, voice);
                words = new Text.Builder(file);
                walk(inner, depth + 1, listed ? list + 1 : list, name.equals("blockquote") ? "quote" : voice);
            } else {
                inline(child, words);
            }
        }
        flush(words, element, list, voice);
    }

    private void flush(Text.Builder words, Element element, int list, String voice) {
        Text text = words.build();
        if (!text.isBlank()) {
            blocks.add(new Block(kind(element), text.sub(0, text.value().length()), list, List.of(), voice));
        }
    }

    private void add(Block.Kind kind, Element element, int list, String voice) {
        Text.Builder words = new Text.Builder(file);
        inline(element, words);
        Text text = words.build();
        if (!text.isBlank()) {
            int depth = kind == Block.Kind.HEADING && element.normalName().matches("h[1-6]")
                    ? element.normalName().charAt(1) - '1'
                    : list;
            blocks.add(new Block(kind, text.sub(0, text.value().length()), depth, List.of(), voice));
        }
    }

    private void code(Element element) {
        int line = line(element);
        for (String row : element.wholeText().split("\n", -1)) {
            if (!row.isBlank()) {
                blocks.add(Block.of(
                        Block.Kind.CODE, Text.of(file, line, Decoded.seen(row).strip())));
            }
            line++;
        }
    }

    private static Block.Kind kind(Element element) {
        for (Element at = element; at != null && !at.normalName().equals("body"); at = at.parent()) {
            String name = at.normalName();
            if (name.matches("h[1-6]") || name.equals("caption") || name.equals("dt") || name.equals("summary")) {
                return Block.Kind.HEADING;
            }
            if (name.equals("li")) {
                Element parent = at.parent();
                return parent != null && parent.normalName().equals("ol") ? Block.Kind.STEP : Block.Kind.ITEM;
            }
            if (name.equals("blockquote")) {
                return Block.Kind.QUOTE;
            }
            if (name.equals("dd")) {
                return Block.Kind.PARAGRAPH;
            }
        }
        return Block.Kind.PARAGRAPH;
    }

    /** The words of what stands within a line, without what was crossed out; links to files are named. */
    void inline(Node from, Text.Builder words) {
        NodeTraversor.traverse(
                new NodeVisitor() {
                    private int crossed;
                    private int raised;

                    @Override
                    public void head(Node node, int depth) {
                        if (node instanceof TextNode text && !(node instanceof CDataNode)) {
                            text(text);
                        } else if (node instanceof Element element) {
                            raised += element.normalName().equals("sup") ? 1 : 0;
                            crossed += isCrossedOut(element) ? 1 : 0;
                            if (element.normalName().equals("br") || isBlock(element)) {
                                words.append("\n", line(element));
                            } else if (element.normalName().equals("img")
                                    && element.attr("alt").length() <= LONGEST_IN_PLACE) {
                                words.append(" " + element.attr("alt") + " ", line(element));
                            }
                        }
                    }

                    @Override
                    public void tail(Node node, int depth) {
                        if (node instanceof Element element) {
                            crossed -= isCrossedOut(element) ? 1 : 0;
                            raised -= element.normalName().equals("sup") ? 1 : 0;
                            Matcher name = FILE.matcher(element.attr("href"));
                            if (crossed == 0
                                    && element.normalName().equals("a")
                                    && name.find()
                                    && !element.text().contains(name.group(1))) {
                                words.append(" (" + name.group(1) + ") ", line(element));
                            }
                        }
                    }

                    private void text(TextNode node) {
                        int line = line(node);
                        int rows = 0;
                        for (String row : node.getWholeText().split("\n", -1)) {
                            String bare =
                                    Decoded.seen(row).replace('\u00a0', ' ').replaceAll("\\s++", " ");
                            if (crossed > 0) {
                                if (!bare.isBlank()) {
                                    struck.add(Text.of(file, line, bare.strip()));
                                }
                            } else {
                                String said = raised > 0 && bare.strip().matches("[1-5]")
                                        ? FOOTNOTES.get(bare.strip().charAt(0) - '1')
                                        : bare;
                                words.flow(rows == 0 ? said : " " + said, line);
                            }
                            rows++;
                            line++;
                        }
                    }
                },
                from);
    }

    static boolean isCrossedOut(Element element) {
        String name = element.normalName();
        return name.equals("s")
                || name.equals("del")
                || name.equals("strike")
                || element.attr("style").replace(" ", "").contains("line-through");
    }
}
