package entaxis.web.dictionary;

import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.dictionary.reading.DictionaryDesign;
import entaxis.core.dictionary.reading.ReadDictionary;
import entaxis.core.targets.Target;
import entaxis.drawing.layout.FirstSheet;
import entaxis.drawing.text.TextMeasure;
import entaxis.web.store.NewId;
import java.util.Map;

/** A dictionary that was read, as a design with its first sheet laid out. */
public final class ReadDictionaries {
    private static final TextMeasure MEASURE = new TextMeasure();

    private ReadDictionaries() { }

    /** The design, and what could not be made as the dictionary says. */
    public static DictionaryDesign.Made design(ReadDictionary read, String name) {
        Sheet sheet = new Sheet(new SheetId(NewId.of('p')), "Sheet 1", Paper.DEFAULT, Map.of());
        DictionaryDesign.Made made = DictionaryDesign.of(read,
                Design.empty(DesignProperties.begun(name, Target.DEFAULT, name, ""), sheet), NewId::of);
        return new DictionaryDesign.Made(FirstSheet.arranged(made.design(), MEASURE), made.problems());
    }
}
