package entaxis.drawing.scene;

/** What a sheet shows of the design. */
public enum Lens {
    /** Entities with their own attributes, and relationships as drawn. */
    CONCEPT,
    /** The tables that will be created, with every column. */
    TABLES
}
