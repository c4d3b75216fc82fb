package entaxis.core.syntax;

import entaxis.core.expression.ViewQuery;
import entaxis.core.schema.ProgramKind;
import entaxis.core.syntax.ImpliedName.Named;
import entaxis.core.targets.ByEngine;
import entaxis.core.targets.Target;
import entaxis.core.token.LexicalRules;
import entaxis.core.token.LexicalRule;
import java.util.Optional;
import java.util.Set;

/** How scripts of an engine are written: ISO/IEC 9075-2 unless an engine says otherwise. Immutable. */
public abstract class ScriptSyntax {
    /** Loaded when it is first asked for: the services are subclasses of this class. */
    private static final class Registered {
        static final ByEngine<ScriptSyntax> BY_ENGINE = ByEngine.load(ScriptSyntax.class, ScriptSyntax::engine);
    }

    /**
     * The syntax of an engine.
     *
     * @throws IllegalArgumentException if none is registered for it
     */
    public static ScriptSyntax of(Target engine) {
        return Registered.BY_ENGINE.get(engine);
    }

    /** The engine. */
    public abstract Target engine();

    /** How its scripts are cut into tokens. */
    public LexicalRules lexicalRules() {
        return LexicalRules.of("$", LexicalRule.NESTED_COMMENTS);
    }

    /** What the query of a program reads; nothing for one that is no view, and where its query is not understood. */
    public final Optional<ViewQuery> query(ProgramKind kind, String statement) {
        return kind == ProgramKind.VIEW ? ViewQuery.of(statement, lexicalRules()) : Optional.empty();
    }

    /** What its statements may say beside ISO SQL. */
    public Set<SyntaxRule> rules() {
        return Set.of();
    }

    /** Whether a rule holds. */
    public final boolean takes(SyntaxRule rule) {
        return rules().contains(rule);
    }

    /** Operator classes that an index has by itself, in small letters. */
    public Set<String> defaultOperatorClasses() {
        return Set.of();
    }

    /** The schema that names without one belong to; empty if it has no name of its own. */
    public String defaultSchema() {
        return "";
    }

    /** How it names what is left without a name. */
    public ImpliedName impliedName(Named what) {
        return new ImpliedName.None();
    }

    /** A text with its escapes undone. */
    public String unescaped(String inside) {
        return inside;
    }

    /**
     * Whether a text is written as only this engine writes it, so that plain quotes have to stand in for it.
     *
     * @param from    where it begins in the script
     * @param to      where it ends
     * @param escapes whether backslashes escape at present
     */
    public boolean isMarked(String script, int from, int to, boolean escapes) {
        return false;
    }

    /** The signs that begin a line which ends a statement by itself. */
    public String separatorSigns() {
        return "";
    }

    /** Whether the line from a place on ends the statement before it. */
    public boolean separates(String script, int at) {
        return false;
    }

    /** Whether the line from a place on, where a statement could begin, is a command of the engine's client. */
    public boolean isClientLine(String script, int at) {
        return false;
    }

    /** Whether a script has these small letters at a place, in any case; a blank stands for a tab too. */
    protected static boolean begins(String script, int at, String words) {
        if (at + words.length() > script.length()) {
            return false;
        }
        for (int i = 0; i < words.length(); i++) {
            char c = script.charAt(at + i);
            char wanted = words.charAt(i);
            if (Character.toLowerCase(c) != wanted && !(wanted == ' ' && c == '\t')) {
                return false;
            }
        }
        return true;
    }

    /** Whether nothing but blanks stands between the beginning of a line and a place in it. */
    protected static boolean atLineStart(String script, int at) {
        for (int i = at - 1; i >= 0 && script.charAt(i) != '\n'; i--) {
            if (script.charAt(i) > ' ') {
                return false;
            }
        }
        return true;
    }

    /** Whether nothing but blanks stands from a place to the end of its line. */
    protected static boolean restOfLineIsBlank(String script, int from) {
        return StatementBody.restOfLineIsBlank(script, from);
    }
}
