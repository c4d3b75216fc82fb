package entaxis.core.syntax;

/** What the statements of some engines may say beside, or otherwise than, ISO SQL. */
public enum SyntaxRule {
    /** A table may inherit from others, be a partition of one, or be split into partitions that are tables. */
    TABLE_HIERARCHIES,
    /** A statement may follow another without a sign between them. */
    RUN_ON_STATEMENTS,
    /** One ADD or DROP of ALTER TABLE takes several columns and constraints. */
    ALTER_LISTS,
    /** ALTER COLUMN adds and drops properties of a column. */
    COLUMN_PROPERTIES,
    /** ALTER COLUMN with a type says again whether the column may be empty. */
    ALTERED_COLUMN_SAYS_NULL,
    /** ALTER TABLE adds a period that the engine keeps by itself. */
    SYSTEM_PERIODS,
    /** A default is a constraint of the table, which names its column. */
    DEFAULT_CONSTRAINTS,
    /** Defaults and rules against null are constraints with names, so that what is dropped may be one. */
    NAMED_DEFAULTS,
    /** ON names the place where a table or index is stored. */
    STORAGE_PLACES,
    /** CREATE TABLE takes INDEX, also within a column. */
    INLINE_INDEXES,
    /** A constraint of the table may follow a column without a comma. */
    COMMA_LEFT_OUT,
    /** A comma may stand behind the last element of a table. */
    TRAILING_COMMA,
    /** A script has conditions and blocks around its statements. */
    CONTROL_OF_FLOW,
    /** DROP INDEX names the table in front of the index. */
    INDEX_QUALIFIED_BY_TABLE,
    /** Options may follow DROP INDEX. */
    OPTIONS_BEHIND_DROPPED_INDEX,
    /** Procedures of the system change definitions. */
    SYSTEM_PROCEDURES,
    /** ALTER of a view, routine or trigger defines it again. */
    ALTER_REDEFINES_PROGRAM,
    /** SELECT INTO makes a table. */
    SELECT_INTO,
    /** A view, routine or trigger goes on to the end of its batch. */
    BODY_TO_BATCH_END,
    /** CASCADE of a drop takes the views along that read what goes, and the triggers that call it. */
    DROP_TAKES_VIEWS,
    /** The name of a built-in type may stand in quotes. */
    QUOTED_TYPES,
    /** The actions of ALTER TABLE follow one another without commas. */
    ACTIONS_WITHOUT_COMMA,
    /** A column may be set unused before it is dropped. */
    UNUSED_COLUMNS,
    /** ALTER TABLE has many words about storage that stand alone. */
    STORAGE_WORDS,
    /** USING INDEX of a constraint may name the index. */
    NAMED_INDEX_BEHIND_USING,
    /** The numbers of an identity need no brackets. */
    BARE_NUMBERING,
    /** MODIFY changes only what it says of a column. */
    MODIFY_KEEPS_THE_REST,
    /** A statement may be a block, whose body ends at a slash on its own line. */
    BLOCKS,
    /** More words may stand between CREATE and what is created. */
    CREATE_MODIFIERS,
    /** The definition of a global temporary table stays. */
    GLOBAL_TEMPORARY_STAYS,
    /** DROP CONSTRAINT says whether the index of a key stays. */
    INDEX_BEHIND_DROPPED_CONSTRAINT,
    /** ALTER CONSTRAINT changes when a reference is checked. */
    ALTERS_DEFERRAL,
    /** Options of tables and columns are a closed list, so that another word is not understood. */
    KNOWN_OPTIONS_ONLY,
    /** A serial column counts by a sequence that its default asks. */
    COUNTING_DEFAULTS,
    /** A key may be made of an index that is there. */
    KEYS_FROM_INDEXES,
    /** Keys over equal columns in one CREATE TABLE are one. */
    MERGES_EQUAL_KEYS,
    /** Words may follow a call within an index. */
    OPERATOR_CLASSES,
    /** A name may be a variable of the client, behind a colon. */
    CLIENT_VARIABLES,
    /** Extensions are added to the engine by name. */
    EXTENSIONS,
    /** Names that differ in the case of letters are two. */
    EXACT_NAMES,
    /** A text may be a block of statements. */
    BLOCKS_IN_TEXTS,
    /** CREATE RULE takes statements in brackets. */
    RULE_STATEMENTS,
    /** How many dimensions an array is declared with says nothing. */
    ARRAYS_OF_ANY_DIMENSION,
    /** Types of the system and of extensions may be named with their schema. */
    QUALIFIED_SYSTEM_TYPES,
    /** Serial types stand for integers that count. */
    SERIAL_TYPES,
    /** Columns go with a type that is dropped. */
    DROPPED_TYPE_TAKES_COLUMNS,
    /** A table that is made of the rows of another one has its columns without their rules. */
    COPIES_WITHOUT_RULES,
    /** LIKE may stand among the elements of a table. */
    LIKE_AMONG_ELEMENTS,
    /** ALTER TABLE shows and hides indexes and checks. */
    SWITCHES_PARTS,
    /** An action of ALTER TABLE that says nothing about tables may stand between others. */
    ACTIONS_PASSED_SINGLY,
    /** ALTER TABLE renames and drops indexes. */
    INDEXES_ALTERED_WITH_TABLE,
    /** Indexes may have comments. */
    INDEX_COMMENTS,
    /** A key may be a hash index. */
    HASH_KEYS,
    /** USING names the kind of index of a key. */
    METHODS_BEHIND_KEYS,
    /** SERIAL stands for a column that counts and is unique. */
    UNIQUE_SERIAL,
    /** Texts in the binary character set are bytes. */
    BINARY_CHARACTER_SET,
    /** A JSON column is dumped as a text with a check. */
    CHECKED_DOCUMENTS,
    /** CREATE TABLE takes KEY and INDEX, and keys have names of their own. */
    INLINE_KEYS,
    /** A name behind FOREIGN KEY is that of its index only. */
    REFERENCE_NAMED_APART,
    /** A schema is a database. */
    SCHEMA_IS_DATABASE,
    /** Names of indexes differ within their table. */
    INDEXES_WITHIN_TABLE,
    /** An index loses a column that is dropped, and stays. */
    DROPPED_COLUMN_LEAVES_INDEX,
    /** A period between two columns is a constraint. */
    APPLICATION_PERIODS,
    /** Conditions and loops stand outside of routines too. */
    COMPOUND_STATEMENTS,
    /** Modes of the session change how texts are read. */
    SQL_MODES,
    /** IDENTITY is a type. */
    IDENTITY_TYPE,
    /** Columns of a primary key may be empty. */
    KEYS_TAKE_NULL,
    /** A default in the quotes of names is a text. */
    QUOTED_DEFAULTS,
    /** Any words make a type. */
    TYPES_OF_ANY_WORDS,
    /** Constraints of a table may follow one another without commas. */
    CONSTRAINTS_WITHOUT_COMMA
}
