package entaxis.drawing.scene;

import entaxis.core.design.Note;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.NoteBox.Run;
import entaxis.drawing.scene.NoteBox.TextLine;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.ArrayList;
import java.util.List;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.BulletList;
import org.commonmark.node.Code;
import org.commonmark.node.Emphasis;
import org.commonmark.node.FencedCodeBlock;
import org.commonmark.node.HardLineBreak;
import org.commonmark.node.Heading;
import org.commonmark.node.HtmlBlock;
import org.commonmark.node.HtmlInline;
import org.commonmark.node.IndentedCodeBlock;
import org.commonmark.node.ListItem;
import org.commonmark.node.Node;
import org.commonmark.node.OrderedList;
import org.commonmark.node.Paragraph;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.StrongEmphasis;
import org.commonmark.node.Text;
import org.commonmark.parser.Parser;

/**
 * Lays the Markdown of a note out in lines as wide as the note: headings, paragraphs, lists, emphasis and code. Linear
 * in the text.
 */
final class NoteLayout {
    static final double PAD = 10;
    private static final double LINE = 18;
    private static final double BETWEEN = 6;
    private static final double INDENT = 16;
    private static final Parser PARSER = Parser.builder().build();

    private final TextMeasure measure;

    NoteLayout(TextMeasure measure) {
        this.measure = measure;
    }

    NoteBox lay(Note note) {
        Layout layout = new Layout(note.width() - 2 * PAD);
        PARSER.parse(note.text()).accept(layout);
        layout.finishLine();
        double height = Math.max(LINE, layout.y - BETWEEN) + 2 * PAD;
        return new NoteBox(note.id(), new Box(note.place().x(), note.place().y(), note.width(), height), layout.lines);
    }

    private final class Layout extends AbstractVisitor {
        private final double width;
        private final List<TextLine> lines = new ArrayList<>();
        private List<Run> runs = new ArrayList<>();
        private double x;
        private double y;
        private double indent;
        private TextStyle style = TextStyle.ROW;
        private boolean spaceBefore;
        private int number;

        Layout(double width) {
            this.width = width;
        }

        @Override
        public void visit(Heading heading) {
            styled(TextStyle.NAME, heading);
            endBlock();
        }

        @Override
        public void visit(Paragraph paragraph) {
            visitChildren(paragraph);
            endBlock();
        }

        @Override
        public void visit(BulletList list) {
            list(list, 0);
        }

        @Override
        public void visit(OrderedList list) {
            list(list, list.getMarkerStartNumber() == null ? 1 : list.getMarkerStartNumber());
        }

        private void list(Node list, int first) {
            int outer = number;
            number = first;
            indent += INDENT;
            visitChildren(list);
            indent -= INDENT;
            number = outer;
        }

        @Override
        public void visit(ListItem item) {
            finishLine();
            runs.add(new Run(PAD + indent - INDENT, number == 0 ? "•" : number + ".", TextStyle.ROW));
            number += number == 0 ? 0 : 1;
            x = indent;
            visitChildren(item);
        }

        @Override
        public void visit(Emphasis emphasis) {
            styled(TextStyle.VERB, emphasis);
        }

        @Override
        public void visit(StrongEmphasis strong) {
            styled(TextStyle.NAME, strong);
        }

        @Override
        public void visit(Code code) {
            word(code.getLiteral(), TextStyle.TYPE);
        }

        @Override
        public void visit(FencedCodeBlock block) {
            literal(block.getLiteral());
        }

        @Override
        public void visit(IndentedCodeBlock block) {
            literal(block.getLiteral());
        }

        @Override
        public void visit(HtmlBlock block) {
            literal(block.getLiteral());
        }

        @Override
        public void visit(HtmlInline inline) {
            words(inline.getLiteral());
        }

        @Override
        public void visit(SoftLineBreak lineBreak) {
            spaceBefore = true;
        }

        @Override
        public void visit(HardLineBreak lineBreak) {
            finishLine();
        }

        @Override
        public void visit(Text text) {
            words(text.getLiteral());
        }

        private void styled(TextStyle other, Node node) {
            TextStyle outer = style;
            style = other;
            visitChildren(node);
            style = outer;
        }

        private void literal(String text) {
            text.strip().lines().forEach(line -> {
                word(line, TextStyle.TYPE);
                finishLine();
            });
            y += BETWEEN;
        }

        private void words(String text) {
            spaceBefore |= text.startsWith(" ");
            String[] words = text.strip().split("\\s+");
            for (int i = 0; i < words.length; i++) {
                if (!words[i].isEmpty()) {
                    spaceBefore |= i > 0;
                    word(words[i], style);
                }
            }
            spaceBefore = text.endsWith(" ");
        }

        private void word(String word, TextStyle in) {
            double space = spaceBefore && x > indent ? measure.width(" ", TextStyle.ROW) : 0;
            double wide = measure.width(word, in);
            if (x > indent && x + space + wide > width) {
                finishLine();
                space = 0;
            }
            x = Math.max(x, indent) + space;
            runs.add(new Run(PAD + x, word, in));
            x += wide;
            spaceBefore = false;
        }

        private void endBlock() {
            finishLine();
            y += BETWEEN;
        }

        private void finishLine() {
            if (!runs.isEmpty()) {
                lines.add(new TextLine(PAD + y + 13, runs));
                y += LINE;
            }
            runs = new ArrayList<>();
            x = indent;
            spaceBefore = false;
        }
    }
}
