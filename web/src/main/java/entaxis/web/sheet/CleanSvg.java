package entaxis.web.sheet;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;

/** An SVG picture with only shapes, text and paint left: no scripts, no handlers, nothing from elsewhere. */
record CleanSvg(String text, int width, int height) {

    private static final Set<String> ELEMENTS = Set.of("svg", "g", "path", "rect", "circle", "ellipse", "line",
            "polyline", "polygon", "text", "tspan", "defs",
            "lineargradient", "radialgradient", "stop", "clippath", "title", "desc", "symbol", "use", "marker", "mask",
            "pattern");
    private static final int DEFAULT_SIDE = 300;

    /** The picture cleaned; none if it is no SVG document. External entities and document types are not read. */
    static Optional<CleanSvg> of(byte[] bytes) {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setNamespaceAware(true);
            DocumentBuilder builder = factory.newDocumentBuilder();
            builder.setErrorHandler(null);
            Document document = builder.parse(new ByteArrayInputStream(bytes));
            Element root = document.getDocumentElement();
            if (!"svg".equals(root.getLocalName())) {
                return Optional.empty();
            }
            clean(root, 0);
            root.setAttribute("xmlns", "http://www.w3.org/2000/svg");
            Transformer transformer = TransformerFactory.newInstance().newTransformer();
            transformer.setOutputProperty(OutputKeys.OMIT_XML_DECLARATION, "yes");
            StringWriter text = new StringWriter();
            transformer.transform(new DOMSource(root), new StreamResult(text));
            String[] box = root.getAttribute("viewBox").trim().split("[\\s,]+");
            int width = size(root.getAttribute("width"), box.length == 4 ? box[2] : "");
            int height = size(root.getAttribute("height"), box.length == 4 ? box[3] : "");
            return Optional.of(new CleanSvg(text.toString(), width, height));
        } catch (SAXException | IOException | ParserConfigurationException | TransformerException e) {
            return Optional.empty();
        }
    }

    private static int size(String stated, String inBox) {
        for (String text : new String[] {stated.replaceFirst("px$", ""), inBox}) {
            if (text.matches("\\d{1,5}(\\.\\d+)?") && Double.parseDouble(text) >= 1) {
                return (int) Math.ceil(Double.parseDouble(text));
            }
        }
        return DEFAULT_SIDE;
    }

    private static void clean(Element element, int depth) {
        NamedNodeMap attributes = element.getAttributes();
        for (int i = attributes.getLength() - 1; i >= 0; i--) {
            Attr attribute = (Attr) attributes.item(i);
            Optional<String> safe = SafeSvgValues.value(attribute.getName(), attribute.getValue());
            if (safe.isEmpty()) {
                element.removeAttributeNode(attribute);
            } else if (!safe.get().equals(attribute.getValue())) {
                attribute.setValue(safe.get());
            }
        }
        Node child = element.getFirstChild();
        while (child != null) {
            Node next = child.getNextSibling();
            boolean text = child.getNodeType() == Node.TEXT_NODE;
            boolean kept = child instanceof Element inner && depth < 60 && inner.getLocalName() != null
                    && ELEMENTS.contains(inner.getLocalName().toLowerCase(Locale.ROOT));
            if (kept) {
                clean((Element) child, depth + 1);
            } else if (!text) {
                element.removeChild(child);
            }
            child = next;
        }
    }
}
