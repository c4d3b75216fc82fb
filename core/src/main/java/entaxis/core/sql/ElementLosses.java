package entaxis.core.sql;

import entaxis.core.sql.AdaptationNote.Kind;
import java.util.List;

/** What an engine cannot keep of one element, noted beside what is said of others. */
record ElementLosses(List<AdaptationNote> notes, String table, String element) implements LossReport {
    @Override
    public void say(String words) {
        notes.add(new AdaptationNote(Kind.LOST, table, element, words));
    }

    @Override
    public void limit(String words) {
        notes.add(new AdaptationNote(Kind.LIMITED, table, element, words));
    }
}
