package entaxis.core.syntax;

/**
 * The parsers of what stands in the brackets of CREATE TABLE and behind ADD of ALTER TABLE, one for each kind of part
 * (ISO/IEC 9075-2, 11.3 to 11.9; the engines' manuals).
 */
record ElementParsers(NameParser names, NumberParser numbers, ExpressionParser expressions, TypeParser types,
        ClauseEnds clauseEnds, IndexParser indexes, ConstraintParser constraints, ColumnParser columns,
        PartitionParser partitions) {
    /** Parsers that read at one cursor. */
    static ElementParsers of(StatementCursor tokens, ScriptSyntax syntax) {
        NameParser names = new NameParser(tokens, syntax);
        NumberParser numbers = new NumberParser(tokens);
        ExpressionParser expressions = new ExpressionParser(tokens);
        TypeParser types = new TypeParser(tokens, syntax);
        ClauseEnds clauseEnds = new ClauseEnds(tokens, syntax, names);
        IndexParser indexes = new IndexParser(tokens, syntax, names, numbers, expressions, clauseEnds);
        ReferenceParser references = new ReferenceParser(tokens, names, clauseEnds);
        ConstraintParser constraints =
                new ConstraintParser(tokens, syntax, names, expressions, clauseEnds, indexes, references);
        ColumnParser columns = new ColumnParser(tokens, syntax, types, names, numbers, expressions, clauseEnds, indexes,
                references, constraints);
        return new ElementParsers(names, numbers, expressions, types, clauseEnds, indexes, constraints, columns,
                new PartitionParser(tokens, indexes, expressions, numbers));
    }
}
