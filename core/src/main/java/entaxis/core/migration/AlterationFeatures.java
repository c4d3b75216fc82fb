package entaxis.core.migration;

/** What an engine can change where it is: ISO/IEC 9075-2 unless an engine says otherwise. */
public abstract class AlterationFeatures {
    /** Whether the statements of a table are written as one, because the engine rewrites the table at each. */
    public boolean oneStatement() {
        return false;
    }

    /** Whether constraints can get another name. */
    public boolean renamesConstraints() {
        return false;
    }

    /** Whether indexes can get another name. */
    public boolean renamesIndexes() {
        return renamesConstraints();
    }

    /** Whether types can get another name, also while columns have them. */
    public boolean renamesTypes() {
        return true;
    }

    /** Whether a script is undone as a whole if a statement of it fails. */
    public boolean transactional() {
        return false;
    }

    /** Whether views have to be taken away before a table that they read changes. */
    public boolean viewsBind() {
        return false;
    }

    /** The same of triggers. */
    public boolean triggersBind() {
        return false;
    }

    /** Whether a sequence can begin elsewhere and count otherwise; else it is made again. */
    public boolean altersSequences() {
        return false;
    }

    /** Whether columns, keys and checks change where they are; else the table is made again. */
    public boolean altersColumns() {
        return true;
    }

    /** Whether a column that may not be empty can be added to a table that is there. */
    public boolean addsRequiredColumns() {
        return true;
    }

    /** Whether a table that others refer to can be dropped and get another name; else they are made again with it. */
    public boolean altersReferencedTables() {
        return true;
    }

    /** Whether one statement can add rows that refer to each other; else a row comes behind those that it refers to. */
    public boolean addsRowsThatReferToEachOther() {
        return true;
    }

    /** Whether a column can begin or cease to number its rows; else the table is made again. */
    public boolean altersNumbering() {
        return true;
    }

    /** Whether the numbers of a column can begin elsewhere and count otherwise; else the table is made again. */
    public boolean altersNumbers() {
        return true;
    }

    /** Whether a column with rows can get a type that is not alike; else the table is made again. */
    public boolean convertsInPlace() {
        return true;
    }

    /** Whether a type changes while keys and indexes are on the column. */
    public boolean retypesUnderKeys() {
        return true;
    }

    /** Whether columns of references change, and get other names, while the references hold. */
    public boolean altersReferencedColumns() {
        return true;
    }

    /** Whether computed columns follow a column that gets another name. */
    public boolean computedFollowRenames() {
        return true;
    }

    /** Whether conditions follow a column that gets another name. */
    public boolean conditionsFollowRenames() {
        return true;
    }

    /** Whether the engine's own check of a JSON column follows the column. */
    public boolean documentChecksFollowRenames() {
        return true;
    }

    /** Whether the catalog shows the new name of a column in its keys. */
    public boolean keysFollowRenames() {
        return true;
    }

    /** Whether a check that speaks of no column survives when the table is copied. */
    public boolean keepsConstantChecks() {
        return true;
    }

    /** Whether rows that are there silently get a value where a required column is added. */
    public boolean fillsRequiredItself() {
        return false;
    }

    /** Whether rows can be copied into a column that always numbers itself. */
    public boolean copiesIntoNumbered() {
        return true;
    }

    /** Whether the index that a reference made for itself stays behind when the reference goes. */
    public boolean leavesSupportingIndexes() {
        return false;
    }

    /** Whether an index can be dropped only if it is there. */
    public boolean dropsIndexIfThere() {
        return false;
    }

    /** Whether names of constraints and indexes may be taken by those of another table. */
    public boolean namesSpanTables() {
        return true;
    }

    /** Whether a routine that something else calls can get another body in its place. */
    public boolean replacesRoutines() {
        return false;
    }
}
