package entaxis.core.reconcile;

import entaxis.core.schema.Program;
import entaxis.core.targets.ByEngine;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType;
import java.util.Set;

/**
 * What an engine rewrites when it keeps a definition in its catalog, and what it does not keep. What is not said here
 * is kept as it was written. Immutable.
 */
public abstract class CatalogWording {
    /** Loaded when it is first asked for: the services are subclasses of this class. */
    private static final class Registered {
        static final ByEngine<CatalogWording> BY_ENGINE = ByEngine.load(CatalogWording.class, CatalogWording::engine);
    }

    /**
     * The wording of an engine.
     *
     * @throws IllegalArgumentException if none is registered for it
     */
    public static CatalogWording of(Target engine) {
        return Registered.BY_ENGINE.get(engine);
    }

    /** The engine. */
    public abstract Target engine();

    // names

    /** Whether names that differ in the case of letters are one. */
    public boolean ignoresCase() {
        return true;
    }

    /** Whether the engine thought of a name itself. */
    public boolean isMadeUp(String name) {
        return false;
    }

    // expressions

    /** A condition in ISO words, without what the engine puts in for words that mean the same here. */
    public String neutral(String condition) {
        return condition;
    }

    /** Whether a number stands for a truth value. */
    public boolean numericTruth() {
        return false;
    }

    /**
     * What a default means.
     *
     * @param neutral   the default in ISO words
     * @param canonical its canonical form
     * @param type      the type of its column
     */
    public String defaultMeaning(String neutral, String canonical, SqlType type) {
        return canonical;
    }

    /** Whether the catalog names the database in front of a sequence. */
    public boolean qualifiesSequences() {
        return false;
    }

    // tables

    /** Whether the catalog tells where an identity begins and by what it counts. */
    public boolean tellsNumbering() {
        return true;
    }

    /** Whether several unique keys over the same columns are one, and none beside the primary key. */
    public boolean mergesEqualKeys() {
        return false;
    }

    /** Whether the index that a reference makes for itself shows in the catalog. */
    public boolean showsSupportingIndexes() {
        return false;
    }

    /** Whether the catalog tells where a sequence began. */
    public boolean tellsSequenceStart() {
        return true;
    }

    /** What is in a database and not read from its catalog, in words; empty if all is. */
    public String notRead() {
        return "";
    }

    // views, routines and triggers

    /** Whether the very statements are kept, so that their texts count. */
    public boolean keepsStatements() {
        return false;
    }

    /** Whether the query of a view is kept as it was written. */
    public boolean keepsViews() {
        return false;
    }

    /** Whether routines and triggers are read at all. */
    public boolean readsRoutines() {
        return true;
    }

    /** Whether the catalog gives the comments of views, routines and triggers. */
    public boolean tellsProgramComments() {
        return false;
    }

    /** Whether a trigger only calls a routine, so that all of it is reworded. */
    public boolean triggersOnlyCall() {
        return false;
    }

    /** Whether views and triggers follow a table that gets another name, so that their texts name it so. */
    public boolean programsFollowRenames() {
        return false;
    }

    /** What is kept of a view, routine or trigger, and what is reworded. */
    public ProgramParts parts(Program program) {
        return ProgramParts.head(program.text(), Set.of());
    }
}
