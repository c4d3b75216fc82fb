package entaxis.core.statement;

import java.util.List;

/** A call of a procedure of the engine that changes definitions (Transact-SQL Reference, EXECUTE). */
public record CallProcedure(String procedure, List<Argument> arguments) implements Statement {
    /** Copies the arguments. */
    public CallProcedure {
        arguments = List.copyOf(arguments);
    }

    /** One argument; the label is empty where it is given by its place. */
    public record Argument(String label, String value) { }
}
