package entaxis.core.token;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.syntax.ScriptSyntax;
import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What the engines' manuals say of quotes, comments and words, as the one lexer cuts it. */
class LexicalRulesTest {

    /** The tokens of a text, with bars between, a letter for each before its text. */
    private static String cut(String text, LexicalRules rules) {
        Lexer lexer = new Lexer(text, rules);
        Tokens tokens = new Tokens();
        while (!lexer.atEnd()) {
            if (!lexer.passSpace() && !lexer.comment(tokens)) {
                lexer.token(tokens);
            }
        }
        List<String> cut = new ArrayList<>();
        for (int i = 0; i < tokens.count(); i++) {
            cut.add(tokens.kind(i) + " " + text.substring(tokens.from(i), tokens.to(i)));
        }
        return String.join(" | ", cut);
    }

    private static String cut(String text, Target engine) {
        return cut(text, ScriptSyntax.of(engine).lexicalRules());
    }

    /** PostgreSQL manual, 4.1.1, 4.1.2.2, 4.1.2.4 and 4.1.5. */
    @ParameterizedTest
    @CsvSource(delimiter = ';', quoteCharacter = '~', value = {
        "$a$it's$a$;STRING $a$it's$a$",
        "$$x$$ y;STRING $$x$$ | WORD y",
        "a$b;WORD a$b",
        "$1;SYMBOL $ | NUMBER 1",
        "E'it\\'s';STRING E'it\\'s'",
        "'a\\' b;STRING 'a\\' | WORD b",
        "/* a /* b */ c */ d;WORD d",
        "@extschema@.f;WORD @extschema@ | SYMBOL . | WORD f",
        "1.5e-3+x;NUMBER 1.5e-3 | SYMBOL + | WORD x",
        "0x1E+2;NUMBER 0x1E | SYMBOL + | NUMBER 2"})
    void postgreSql(String text, String tokens) {
        assertThat(cut(text, Target.POSTGRESQL)).isEqualTo(tokens);
    }

    /** MySQL manual, “String Literals”, “Comments” and “Schema Object Names”. */
    @ParameterizedTest
    @CsvSource(delimiter = ';', quoteCharacter = '~', value = {
        "`a ``b`;QUOTED_NAME `a ``b`",
        "\"text\";STRING \"text\"",
        "'it\\'s' x;STRING 'it\\'s' | WORD x",
        "a # b;WORD a",
        "a --b;WORD a | SYMBOL - | SYMBOL - | WORD b",
        "a -- b;WORD a",
        "/*!50100 x */ y;WORD x | WORD y",
        "/* /* */ y;WORD y",
        "_utf8'a';WORD _utf8 | STRING 'a'",
        "@v;WORD @v"})
    void mySql(String text, String tokens) {
        assertThat(cut(text, Target.MYSQL)).isEqualTo(tokens);
    }

    /** MariaDB manual, “Comment Syntax”: what is for MySQL 5.7 alone is passed, and it has comments of its own. */
    @ParameterizedTest
    @CsvSource({"/*!50701 x */ y, WORD y", "/*M!100100 x */ y, WORD x | WORD y", "/*!50100 x */ y, WORD x | WORD y"})
    void mariaDb(String text, String tokens) {
        assertThat(cut(text, Target.MARIADB)).isEqualTo(tokens);
    }

    /** Transact-SQL Reference, “Database Identifiers” and “Slash Star”. */
    @ParameterizedTest
    @CsvSource({"[a ]]b], QUOTED_NAME [a ]]b]", "#t, WORD #t", "@v, WORD @v", "N'a', STRING N'a'",
        "/* /* */ x */ y, WORD y"})
    void sqlServer(String text, String tokens) {
        assertThat(cut(text, Target.SQLSERVER)).isEqualTo(tokens.replace(" , ", " "));
    }

    /** Oracle Database SQL Language Reference, “Text Literals”. */
    @ParameterizedTest
    @CsvSource(delimiter = ';', quoteCharacter = '~', value = {
        "q'[it's]' x;STRING q'[it's]' | WORD x",
        "nq'!a'b!' x;STRING nq'!a'b!' | WORD x",
        "q'(a;UNCLOSED q'(a",
        "v$x#;WORD v$x#"})
    void oracle(String text, String tokens) {
        assertThat(cut(text, Target.ORACLE)).isEqualTo(tokens);
    }

    /** A setting may change how the next statement is cut. */
    @Test
    void settings() {
        Lexer lexer = new Lexer("'a\\' \"b\"", ScriptSyntax.of(Target.MYSQL).lexicalRules());
        lexer.backslashEscapes(false);
        lexer.doubleQuotesName();
        Tokens tokens = new Tokens();
        lexer.token(tokens);
        lexer.passSpace();
        lexer.token(tokens);
        assertThat(tokens.kind(0)).isEqualTo(Token.Kind.STRING);
        assertThat(tokens.kind(1)).isEqualTo(Token.Kind.QUOTED_NAME);
        assertThat(lexer.atEnd()).isTrue();
    }

    /** What ends statements ends words too, if the client was told so. */
    @Test
    void wordsEndAtTheDelimiter() {
        Lexer lexer = new Lexer("END$$", ScriptSyntax.of(Target.MYSQL).lexicalRules());
        lexer.endWordsAt("$$");
        Tokens tokens = new Tokens();
        lexer.token(tokens);
        assertThat(tokens.word(0)).isEqualTo(Keyword.END);
        assertThat(lexer.position()).isEqualTo(3);
    }

    /** Every engine cuts what the standard says alike, and quotes without an end take the rest. */
    @ParameterizedTest
    @EnumSource(Target.class)
    void theStandardHoldsForAll(Target engine) {
        assertThat(cut("CREATE TABLE t1 (größe numeric(9, 2)) -- x\n/* y */ 'it''s' .5", engine)).isEqualTo(
                "WORD CREATE | WORD TABLE | WORD t1 | SYMBOL ( | WORD größe | WORD numeric | SYMBOL ( | NUMBER 9 | "
                        + "SYMBOL , | NUMBER 2 | SYMBOL ) | SYMBOL ) | STRING 'it''s' | NUMBER .5");
        assertThat(cut("a 'b c", engine)).isEqualTo("WORD a | UNCLOSED 'b c");
        assertThat(cut("a /* b c", engine)).isEqualTo("WORD a | UNCLOSED /* b c");
    }
}
