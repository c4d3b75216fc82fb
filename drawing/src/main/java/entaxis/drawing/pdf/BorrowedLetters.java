package entaxis.drawing.pdf;

import com.openhtmltopdf.extend.OutputDevice;
import com.openhtmltopdf.render.RenderingContext;
import entaxis.drawing.paint.Ink;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.awt.Color;
import java.awt.Font;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.geom.AffineTransform;
import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;

/**
 * Letters that the bundled fonts lack, in pages of text: each run of them becomes an object as wide as the machine's
 * own font makes it, and is drawn in that font's outlines. Where the machine has no font for them either, its sign for
 * a missing letter stands there.
 */
final class BorrowedLetters {
    static final String TYPE = "application/x-letters";
    /** Height of an object, and where its letters stand below its top, in units of the text's size. */
    private static final double HEIGHT = 1.25;
    private static final double BASELINE = 0.95;

    private final TextMeasure measure;

    BorrowedLetters(TextMeasure measure) {
        this.measure = measure;
    }

    /** Well-formed HTML with the runs exchanged. */
    Document in(String html) {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
            Document document = factory.newDocumentBuilder().parse(new InputSource(new StringReader(html)));
            List<Node> texts = new ArrayList<>();
            collect(document.getDocumentElement(), texts);
            texts.forEach(text -> exchange(document, text));
            return document;
        } catch (ParserConfigurationException | SAXException | IOException e) {
            throw new IllegalStateException("The page is not well-formed", e);
        }
    }

    private void collect(Node node, List<Node> texts) {
        if (node.getNodeType() == Node.TEXT_NODE && !measure.covers(node.getNodeValue(), TextStyle.ROW)) {
            texts.add(node);
        }
        NodeList children = node.getChildNodes();
        for (int i = 0; i < children.getLength() && !node.getNodeName().equals("style"); i++) {
            collect(children.item(i), texts);
        }
    }

    private void exchange(Document document, Node text) {
        StringBuilder run = new StringBuilder();
        boolean covered = true;
        for (int point : text.getNodeValue().codePoints().toArray()) {
            String letter = Character.toString(point);
            boolean own = Character.isWhitespace(point) || measure.covers(letter, TextStyle.ROW);
            // lines may break between ideographs, so that each is an object by itself
            if (own != covered || Character.isIdeographic(point) && !own) {
                put(document, text, run, covered);
                covered = own;
            }
            run.append(letter);
        }
        put(document, text, run, covered);
        text.getParentNode().removeChild(text);
    }

    private void put(Document document, Node before, StringBuilder run, boolean covered) {
        if (!run.isEmpty()) {
            Node node = covered ? document.createTextNode(run.toString()) : object(document, run.toString());
            before.getParentNode().insertBefore(node, before);
            run.setLength(0);
        }
    }

    private Element object(Document document, String letters) {
        Element object = document.createElement("object");
        object.setAttribute("type", TYPE);
        object.setAttribute("data", letters);
        object.setAttribute("style",
                String.format(Locale.ROOT,
                        "display: inline-block; width: %.3fem; height: %.2fem; vertical-align: -%.2fem",
                measure.width(letters, TextStyle.ROW) / TextStyle.ROW.size(), HEIGHT, HEIGHT - BASELINE));
        return object;
    }

    /** Draws the outlines of a run as wide and high as its place. */
    Map<Shape, String> draw(Element element, double x, double y, double width, double height, OutputDevice device,
            RenderingContext context, int dots) {
        Font font = new Font(Font.SANS_SERIF, Font.PLAIN, TextStyle.ROW.size());
        String letters = element.getAttribute("data");
        device.drawWithGraphics((float) x, (float) y, (float) width / dots, (float) height / dots, graphics -> {
            GlyphVector glyphs = font.createGlyphVector(new FontRenderContext(null, true, true), letters);
            double wide = Math.max(1, glyphs.getLogicalBounds().getWidth());
            AffineTransform place = AffineTransform.getScaleInstance(width / dots / wide,
                    height / dots / (HEIGHT * TextStyle.ROW.size()));
            place.translate(0, BASELINE * TextStyle.ROW.size());
            graphics.setColor(Color.decode(Ink.INK));
            graphics.fill(place.createTransformedShape(glyphs.getOutline()));
        });
        return Map.of();
    }
}
