package entaxis.web.normalize;

import entaxis.drawing.dependency.DependencyDiagram;
import entaxis.drawing.paint.Drawing;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.pdf.PageDocument;
import entaxis.drawing.text.TextMeasure;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/**
 * What the Normalize desk finds about an entity, for paper: the diagram, the verdict with its faults, the remedy and
 * its proof.
 */
@Component
public class NormalizePaper {
    private static final TextMeasure MEASURE = new TextMeasure();
    private static final double WIDTH = 180;
    private static final double HIGHEST = 120;

    private final SpringTemplateEngine templates;

    NormalizePaper(SpringTemplateEngine templates) {
        this.templates = templates;
    }

    /** The bytes of a PDF file. */
    public byte[] pdf(Judged judged) {
        DependencyDiagram diagram = DependencyPicture.of(judged.about(), judged.verdict()).diagram();
        Drawing drawing = Drawing.of(diagram, MEASURE);
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("n", NormalizeDesk.of(judged));
        context.setVariable("remedy", RemedyView.of(judged, Optional.empty(), "", Map.of()).orElse(null));
        context.setVariable("open", judged.standing().open());
        context.setVariable("facts", judged.standing().open().design().facts());
        context.setVariable("lines", judged.text().lines().filter(line -> !line.isBlank()).toList());
        context.setVariable("height",
                Math.min(HIGHEST, Math.ceil(WIDTH * drawing.box().height() / drawing.box().width())));
        return new PageDocument(MEASURE, PictureSource.NONE).pdf(templates.process("normalize-paper", context),
                List.of(drawing), page -> {});
    }
}
