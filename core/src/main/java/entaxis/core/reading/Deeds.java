package entaxis.core.reading;

import entaxis.core.design.Target;
import entaxis.core.reading.Drafts.QName;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TableIndex.IndexColumn;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Does what statements of a known form say, and learns the forms: keys, references and indexes that are added to tables by name. Anything out of the ordinary is left to those who
 * read statements word for word, so that a script means the same with and without this.
 */
final class Deeds {
    private final Tokens tokens;
    private final Drafts drafts;
    private final Definitions definitions;
    private final ImpliedNames implied;
    /** What is being learnt: the tokens that are names, how far the statement has been followed, and whether it is as plain as it has to be. */
    private final List<Integer> names = new ArrayList<>();
    private int at;
    private boolean plain;

    Deeds(Tokens tokens, Drafts drafts, Definitions definitions, ImpliedNames implied) {
        this.tokens = tokens;
        this.drafts = drafts;
        this.definitions = definitions;
        this.implied = implied;
    }

    /** Does what the statement says, whose tokens are the names in it; false if nothing was done and it has to be read word for word. */
    boolean done(Deed deed) {
        Optional<TableDraft> found = drafts.table(new QName(deed.namespace(), tokens.nameAt(deed instanceof Deed.AddsIndex ? 1 : 0)));
        if (found.isEmpty() || !found.get().heirs.isEmpty() || !found.get().keepsReferences) {
            return false;
        }
        TableDraft table = found.get();
        return switch (deed) {
            case Deed.AddsKey key -> addKey(table, key);
            case Deed.AddsReference reference -> addReference(table, reference);
            case Deed.AddsIndex index -> addIndex(table, index.like());
        };
    }

    private List<String> names(int from, int count) {
        if (count == 1) {
            return List.of(tokens.nameAt(from));
        }
        List<String> said = new ArrayList<>(count);
        for (int i = from; i < from + count; i++) {
            said.add(tokens.nameAt(i));
        }
        return said;
    }

    private boolean addKey(TableDraft table, Deed.AddsKey key) {
        List<String> columns = names(2, key.columns());
        if (!Definitions.allHeld(table, columns) || key.primary() && table.primaryKey.isPresent()) {
            return false;
        }
        String name = implied.given(table, tokens.newNameAt(1));
        if (key.primary()) {
            definitions.setPrimaryKey(table, name, columns);
        } else {
            definitions.addUnique(table, name, columns);
        }
        return true;
    }

    private boolean addReference(TableDraft table, Deed.AddsReference reference) {
        List<String> columns = names(2, reference.columns());
        if (!Definitions.allHeld(table, columns)) {
            return false;
        }
        int other = 2 + reference.columns();
        ForeignKey like = reference.like();
        definitions.addReference(table, new ForeignKey(Optional.empty(), implied.given(table, tokens.newNameAt(1)), columns, reference.otherNamespace(), tokens.nameAt(other),
                names(other + 1, reference.referenced()), like.onDelete(), like.onUpdate(), like.deferral()));
        return true;
    }

    private boolean addIndex(TableDraft table, TableIndex like) {
        List<IndexColumn> columns = new ArrayList<>(like.columns().size());
        for (int i = 0; i < like.columns().size(); i++) {
            String column = tokens.nameAt(2 + i);
            if (!table.spells(column)) {
                return false;
            }
            columns.add(like.columns().get(i).named(column));
        }
        definitions.addIndex(table, new TableIndex(implied.given(table, tokens.newNameAt(0)), like.unique(), columns, like.method(), Optional.empty()));
        return true;
    }

    /** Whether the statement is of a kind that often comes in one form. */
    boolean comesOften() {
        Word verb = tokens.word(0);
        // on SQL Server another statement may follow without a sign between
        return drafts.engine != Target.SQLSERVER && (verb == Word.ALTER || verb == Word.CREATE && tokens.word(1) != Word.TABLE);
    }

    /** Learns the form of the statement that was read last, which was understood, and of which nothing was stepped over. */
    void learn() {
        names.clear();
        at = 1;
        plain = true;
        Optional<Deed> deed = tokens.word(0) == Word.ALTER ? constraint() : index();
        if (plain && at == tokens.limit && deed.isPresent() && tokens.bare()) {
            tokens.remember(List.copyOf(names), deed.get());
        }
    }

    private Optional<Deed> constraint() {
        expect(Word.TABLE);
        word(Word.ONLY);
        QName name = qualified();
        expect(Word.ADD);
        expect(Word.CONSTRAINT);
        String own = name();
        if (word(Word.FOREIGN)) {
            expect(Word.KEY);
            int columns = inRound();
            expect(Word.REFERENCES);
            QName other = qualified();
            int referenced = tokens.sign(at, '(') ? inRound() : 0;
            words();
            return !plain ? Optional.empty() : drafts.table(name).map(table -> table.foreignKeys).filter(keys -> !keys.isEmpty() && keys.getLast().name().equals(own))
                    .map(keys -> new Deed.AddsReference(name.namespace(), columns, other.namespace(), referenced, keys.getLast()));
        }
        boolean primary = word(Word.PRIMARY);
        expect(primary ? Word.KEY : Word.UNIQUE);
        return Optional.of(new Deed.AddsKey(name.namespace(), primary, inRound()));
    }

    private Optional<Deed> index() {
        word(Word.UNIQUE);
        expect(Word.INDEX);
        String own = name();
        expect(Word.ON);
        QName name = qualified();
        at += word(Word.USING) ? 1 : 0;
        int columns = inRound();
        return !plain ? Optional.empty() : drafts.table(name).map(table -> table.indexes).filter(indexes -> !indexes.isEmpty() && indexes.getLast().name().equals(own)).map(List::getLast)
                .filter(index -> index.columns().size() == columns && index.predicate().isEmpty() && index.columns().stream().noneMatch(column -> column.expression() || column.prefix().isPresent()))
                .map(index -> new Deed.AddsIndex(name.namespace(), index));
    }

    // following the statement

    private boolean word(Word word) {
        boolean there = tokens.word(at) == word;
        at += there ? 1 : 0;
        return there;
    }

    private void expect(Word word) {
        plain &= word(word);
    }

    private boolean sign(char sign) {
        boolean there = tokens.sign(at, sign);
        at += there ? 1 : 0;
        return there;
    }

    /** Passes a name that is no word of SQL, and notes its place. */
    private String name() {
        byte kind = tokens.kind(at);
        plain &= kind == CutStatement.NAME || kind == CutStatement.WORD && tokens.word(at) == Word.NONE;
        if (!plain) {
            return "";
        }
        names.add(at);
        return tokens.nameAt(at++);
    }

    /** Passes the name of a table; the schema that is said before it stays part of the form. */
    private QName qualified() {
        String namespace = "";
        if (tokens.sign(at + 1, '.') && tokens.isName(at)) {
            namespace = tokens.nameAt(at);
            at += 2;
        }
        return new QName(namespace, name());
    }

    /** Passes names in brackets, each with the words behind it, and counts them. */
    private int inRound() {
        plain &= sign('(');
        int count = 0;
        do {
            name();
            words();
            count++;
        } while (plain && sign(','));
        plain &= sign(')');
        return count;
    }

    /** Passes words that begin no other change of the table. */
    private void words() {
        while (tokens.kind(at) == CutStatement.WORD && !AlterTable.isVerb(tokens.word(at))) {
            at++;
        }
    }
}
