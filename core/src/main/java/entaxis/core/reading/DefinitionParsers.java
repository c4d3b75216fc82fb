package entaxis.core.reading;

/**
 * The parsers of what stands in the brackets of CREATE TABLE and behind ADD of ALTER TABLE, one for each kind of part
 * (ISO/IEC 9075-2, 11.3 to 11.9; the engines' manuals).
 */
record DefinitionParsers(NameParser names, NumberParser numbers, ExpressionParser expressions, ClauseEnds clauseEnds,
        ColumnDefaults defaults, ColumnLookup lookup, IndexParser indexes, ConstraintParser constraints,
        ColumnParser columns) {
    /** Parsers that read at one cursor into one schema. */
    static DefinitionParsers of(TokenCursor tokens, SchemaBuilder schema, TypeParser types, ImpliedNames implied) {
        NameParser names = new NameParser(tokens, schema);
        NumberParser numbers = new NumberParser(tokens);
        ExpressionParser expressions = new ExpressionParser(tokens, schema);
        ClauseEnds clauseEnds = new ClauseEnds(tokens, schema, names);
        ColumnDefaults defaults = new ColumnDefaults(schema);
        ColumnLookup lookup = new ColumnLookup(tokens);
        IndexParser indexes = new IndexParser(tokens, schema, implied, numbers, expressions, clauseEnds);
        ReferenceParser references =
                new ReferenceParser(tokens, schema, implied, names, clauseEnds, lookup, indexes);
        ConstraintParser constraints = new ConstraintParser(tokens, schema, implied, names, expressions, clauseEnds,
                defaults, lookup, indexes, references);
        ColumnParser columns = new ColumnParser(tokens, schema, types, implied, names, numbers, expressions, clauseEnds,
                defaults, indexes, references, constraints);
        return new DefinitionParsers(names, numbers, expressions, clauseEnds, defaults, lookup, indexes, constraints,
                columns);
    }
}
