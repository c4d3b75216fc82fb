package entaxis.core.sql;

import entaxis.core.schema.Identity;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.type.SqlType;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/**
 * What the tables of an engine can have: ISO/IEC 9075-2 unless an engine says otherwise. Nothing here depends on how
 * names or expressions are written; that is the affair of {@link Dialect}.
 */
public abstract class TableFeatures {
    /** Where a type's definition can live. */
    public enum Home {
        /** In the schema, under its name. */
        SCHEMA,
        /** In the column that uses it. */
        COLUMN,
        /** Nowhere: something else has to do. */
        NONE
    }

    /** How comments on tables and columns are written. */
    public enum Comments {
        /** In statements of their own. */
        STATEMENT,
        /** Inside the table definition. */
        INSIDE,
        /** The engine has none: they stay in the script as comments of it. */
        NONE
    }

    /** Which columns may number their rows. */
    public enum Numbered {
        /** Any, and several in one table. */
        ANY_COLUMN,
        /** One in each table. */
        ONE_COLUMN,
        /** One in each table, which has to be the first of a key or an index; it counts by one. */
        ONE_INDEXED_COLUMN,
        /** The primary key, if it is one column; it counts from one by one. */
        PRIMARY_KEY
    }

    /** Whether tables can inherit from others, and be split into partitions that are tables. */
    public boolean tableHierarchies() {
        return false;
    }

    // types of their own

    /** Where a domain is defined; its base stands for it where nothing can define it. */
    public Home domains() {
        return Home.NONE;
    }

    /** Where an enumeration is defined; a text stands for it where nothing can define it. */
    public Home enumerations() {
        return Home.NONE;
    }

    /** Where a structured type is defined. */
    public Home structures() {
        return Home.NONE;
    }

    /** Whether a domain says that no value may be null in words of its own, rather than by a check. */
    public boolean domainsRefuseNull() {
        return false;
    }

    /** Whether an enumeration can get more values without a new type. */
    public boolean extendsEnumerations() {
        return false;
    }

    /** Whether a text can be turned into a type of the engine's own. */
    public boolean castsTextToAnyType() {
        return false;
    }

    /** Whether the fields of a structured type may have types of the schema. */
    public boolean fieldsTakeDefinedTypes() {
        return true;
    }

    /** Whether a column shows the comment of its domain or enumeration as its own. */
    public boolean columnsShowTypeComments() {
        return false;
    }

    /** Whether types of the schema can have comments. */
    public boolean commentsOnTypes() {
        return true;
    }

    /** Whether an index can hold columns that it is not ordered by. */
    public boolean includesColumns() {
        return false;
    }

    // columns

    /** Whether a column may be defined without a type. */
    public boolean columnsWithoutType() {
        return false;
    }

    /** Whether a computed column is defined with its type; otherwise it takes that of its expression. */
    public boolean typesComputedColumns() {
        return true;
    }

    /** Whether a computed column can be required to have a value. */
    public boolean requiresComputed(boolean virtual) {
        return true;
    }

    /** Whether keys, checks and references may speak of computed columns. */
    public boolean constrainsComputed() {
        return true;
    }

    /** Which columns may number their rows. */
    public Numbered numbered() {
        return Numbered.ANY_COLUMN;
    }

    /** The type that a column numbers its rows with, for one that holds such numbers. */
    public SqlType numberedType(SqlType type) {
        return type;
    }

    /** Whether a check may speak of a column that numbers its rows by itself. */
    public boolean checksNumberedColumns() {
        return true;
    }

    /** Whether a column of one type may refer to a column of another. */
    public boolean refersTo(SqlType own, SqlType referenced) {
        return true;
    }

    /** How many characters all columns of an index may have together; empty where that is not bounded. */
    public OptionalInt maxIndexCharacters() {
        return OptionalInt.empty();
    }

    /** Whether a column of a type can number its rows by itself. */
    public boolean numbers(SqlType type) {
        return true;
    }

    /** How a column that numbers its rows treats numbers that are given. */
    public Identity identity(Identity asked) {
        return asked;
    }

    /** Whether a column can be set by an expression whenever its row is changed. */
    public boolean setsOnUpdate() {
        return false;
    }

    /** Whether a column that may be empty has to say so. */
    public boolean saysNullable(SqlType type) {
        return false;
    }

    /** Whether truth values are also given as the numbers 0 and 1. */
    public boolean truthAsNumbers() {
        return true;
    }

    /** Whether columns can be put into another order. */
    public boolean ordersColumns() {
        return false;
    }

    // keys and references

    /** The name that every primary key has, where the engine gives none a name of its own. */
    public Optional<String> primaryKeyName() {
        return Optional.empty();
    }

    /** Whether a unique index is a unique key, so that nothing tells them apart. */
    public boolean uniqueIndexesAreKeys() {
        return false;
    }

    /** Within what the names of constraints and indexes have to differ. */
    public NameSpaces nameSpaces() {
        return NameSpaces.ISO;
    }

    /** Whether a reference may change columns that a condition of the table speaks of. */
    public boolean changesCheckedColumns() {
        return true;
    }

    /** Whether a reference over required columns may be set to null in words, though it never can. */
    public boolean takesSetNullOfRequired() {
        return true;
    }

    /** Whether the names of keys, checks and references are kept. */
    public boolean keepsConstraintNames() {
        return true;
    }

    /** Whether a reference may lead to a table that is made later. */
    public boolean refersAhead() {
        return true;
    }

    /** Whether a reference may lead into another schema. */
    public boolean refersAcrossSchemas() {
        return true;
    }

    // indexes

    /** Whether a reference may lead to any index, not only to a key. */
    public boolean referencesAnyIndex() {
        return false;
    }

    /** Whether an index may look at the beginning of a value only. */
    public boolean prefixIndexes() {
        return false;
    }

    /** Whether the kind of an index is named in front of its table. */
    public boolean indexMethodFirst() {
        return false;
    }

    // scripts

    /** Whether a table can be created only if it is not there, in words of CREATE TABLE. */
    public boolean createsTableIfAbsent() {
        return true;
    }

    /** The same of an index. */
    public boolean createsIndexIfAbsent() {
        return false;
    }

    /** How comments on tables and columns are written. */
    public Comments comments() {
        return Comments.NONE;
    }

    /** The actions that the engine takes when a referenced row is deleted. */
    public Set<ReferentialAction> deleteActions() {
        return Set.of(ReferentialAction.values());
    }

    /** The actions that the engine takes when a referenced key is changed. */
    public Set<ReferentialAction> updateActions() {
        return deleteActions();
    }

    /** Whether refusing at once and refusing at the end of the statement are told apart. */
    public boolean tellsRestrict() {
        return true;
    }

    /** Whether a reference may be checked at the end of the transaction. */
    public boolean deferrable() {
        return true;
    }

    /** Whether foreign keys can be added to a table that is there. */
    public boolean addsForeignKeys() {
        return true;
    }

    /** Whether computed columns may be stored. */
    public boolean computedStored() {
        return true;
    }

    /** Whether computed columns may be computed at each reading. */
    public boolean computedVirtual() {
        return false;
    }

    /** Whether an index may cover only some rows. */
    public boolean partialIndexes() {
        return false;
    }

    /** Whether an index may be ordered by an expression. */
    public boolean expressionIndexes() {
        return false;
    }

    /** Whether an index column may fall. */
    public boolean fallingIndexes() {
        return true;
    }

    /** Whether it makes an index for each foreign key by itself. */
    public boolean indexesReferences() {
        return false;
    }

    /** Whether it refuses an action that would reach a table by a second way. */
    public boolean refusesSecondCascade() {
        return false;
    }

    /** Whether it refuses values that do not fit a column's type. */
    public boolean holdsTypes() {
        return true;
    }

    /** Whether a required column of an enumeration takes the first value where none is given. */
    public boolean enumerationsBeginWithFirst() {
        return false;
    }

    /** Whether {@code DATE '2026-01-31'} and the like are understood. */
    public boolean typedLiterals() {
        return true;
    }

    /** Whether a value of an enumeration may be written in other letters, upper for lower case. */
    public boolean enumerationsIgnoreCase() {
        return false;
    }

    /** Whether the engine has sequences. */
    public boolean sequences() {
        return true;
    }

    /** Whether there are schemas to put tables into. */
    public boolean schemas() {
        return true;
    }

    /** Whether an index is named with its schema. */
    public boolean qualifiesIndexes() {
        return false;
    }
}
