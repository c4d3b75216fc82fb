package entaxis.core.dictionary.reading;

import entaxis.core.design.SqlName;
import entaxis.core.dictionary.reading.DictionaryLayout.Block;
import entaxis.core.dictionary.reading.ReadDictionary.Missed;
import entaxis.core.dictionary.reading.ReadDictionary.ReadAttribute;
import entaxis.core.dictionary.reading.ReadDictionary.ReadEntity;
import entaxis.core.dictionary.reading.ReadDictionary.ReadRelationship;
import entaxis.core.dictionary.reading.ReadDictionary.ReadType;
import entaxis.core.type.SqlType;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Reads dictionaries from the sheets of a workbook. Runs in time linear in the cells. */
public final class DictionaryReader {
    /** A column that refers to another entity, with its place. */
    private record Reference(ReadAttribute attribute, String to, String verb, boolean unique, int sheet, int row,
            int column) { }

    /** An entity while its rows are read. */
    private static final class Draft {
        private final String name;
        private String meaning = "";
        private String area = "";
        private final List<ReadAttribute> attributes = new ArrayList<>();
        private final List<Reference> references = new ArrayList<>();

        Draft(String name) {
            this.name = name;
        }
    }

    private final List<SheetTable> sheets;
    private final Map<String, Draft> drafts = new LinkedHashMap<>();
    private final Map<String, ReadType> types = new LinkedHashMap<>();
    private final List<Missed> missed = new ArrayList<>();

    private DictionaryReader(List<SheetTable> sheets) {
        this.sheets = sheets;
    }

    /** Reads the sheets by the layout that their headings tell. */
    public static ReadDictionary read(List<SheetTable> sheets) {
        return read(sheets, DictionaryLayout.of(sheets));
    }

    /** Reads the sheets by a layout. */
    public static ReadDictionary read(List<SheetTable> sheets, DictionaryLayout layout) {
        DictionaryReader reader = new DictionaryReader(sheets);
        sheets.forEach(reader::types);
        layout.blocks().forEach(reader::block);
        for (int sheet = 0; sheet < sheets.size(); sheet++) {
            reader.unread(sheet, layout);
        }
        return reader.result();
    }

    /** The types that a dictionary of ours defines on a sheet of their own. */
    private void types(SheetTable table) {
        if (!table.rows().isEmpty() && table.headsTypes(0)) {
            for (int row = 1; row < table.rows().size(); row++) {
                types.put(SqlName.of(table.cell(row, 0)),
                        new ReadType(table.cell(row, 0), table.cell(row, 1), table.cell(row, 2), table.cell(row, 3)));
            }
        }
    }

    private void block(Block block) {
        SheetTable table = sheets.get(block.sheet());
        String entity = block.entity();
        for (int row = block.head() + 1; row < block.end(); row++) {
            int at = row;
            if (table.rows().get(row).stream().allMatch(String::isBlank)) {
                continue;
            }
            if (block.has(ColumnRole.ENTITY)) {
                String named = table.cell(row, block.column(ColumnRole.ENTITY));
                // a name that stands for all the rows below it is often written once
                entity = named.isEmpty() ? entity : named;
                if (entity.isEmpty()) {
                    miss(block.sheet(), row, block.column(ColumnRole.ENTITY), "", "no entity is named here");
                    continue;
                }
            }
            Draft draft = drafts.computeIfAbsent(SqlName.of(entity), any -> new Draft(plain(table, block, at)));
            about(table, block, row, draft);
            if (block.has(ColumnRole.ATTRIBUTE)) {
                attribute(table, block, row, draft);
            }
        }
        if (!block.has(ColumnRole.ENTITY)) {
            String only = entity;
            drafts.computeIfAbsent(SqlName.of(only), any -> new Draft(only));
        }
    }

    private static String plain(SheetTable table, Block block, int row) {
        String named = block.has(ColumnRole.ENTITY) ? table.cell(row, block.column(ColumnRole.ENTITY)) : "";
        return named.isEmpty() ? block.entity() : named;
    }

    private static void about(SheetTable table, Block block, int row, Draft draft) {
        String meaning = table.cell(row, block.column(ColumnRole.ENTITY_MEANING));
        if (meaning.isEmpty() && !block.has(ColumnRole.ATTRIBUTE)) {
            meaning = table.cell(row, block.column(ColumnRole.MEANING));
        }
        draft.meaning = meaning.isEmpty() ? draft.meaning : meaning;
        String area = table.cell(row, block.column(ColumnRole.AREA));
        draft.area = area.isEmpty() ? draft.area : area;
    }

    private void attribute(SheetTable table, Block block, int row, Draft draft) {
        String name = table.cell(row, block.column(ColumnRole.ATTRIBUTE));
        if (name.isEmpty()) {
            boolean onlyEntity =
                    block.has(ColumnRole.ENTITY) && table.cell(row, block.column(ColumnRole.TYPE)).isEmpty();
            if (!onlyEntity) {
                miss(block.sheet(), row, block.column(ColumnRole.ATTRIBUTE),
                        String.join(" ", table.rows().get(row)).strip(), "no attribute is named in this row");
            }
            return;
        }
        if (draft.attributes.stream().anyMatch(known -> SqlName.of(known.name()).equals(SqlName.of(name)))) {
            miss(block.sheet(), row, block.column(ColumnRole.ATTRIBUTE), name,
                    "“" + draft.name + "” has an attribute of this name already");
            return;
        }
        ReadAttribute read = read(table, block, row, draft, name);
        draft.attributes.add(read);
        String to = reference(table, block, row);
        if (!to.isEmpty()) {
            boolean unique =
                    read.unique() != 0 || Marks.yes(table.cell(row, block.column(ColumnRole.UNIQUE))).orElse(false);
            draft.references.add(new Reference(read, to, table.cell(row, block.column(ColumnRole.RELATIONSHIP)), unique,
                    block.sheet(), row,
                    Math.max(block.column(ColumnRole.REFERENCES), block.column(ColumnRole.KEY))));
        }
    }

    private ReadAttribute read(SheetTable table, Block block, int row, Draft draft, String name) {
        String key = table.cell(row, block.column(ColumnRole.KEY));
        boolean primary = Marks.rank(key) > 0
                || Marks.yes(table.cell(row, block.column(ColumnRole.PRIMARY)))
                        .orElse(Marks.rank(table.cell(row, block.column(ColumnRole.PRIMARY))) > 0)
                || key.strip().toLowerCase(Locale.ROOT).matches("yes|x|y|1");
        int inKey = (int) draft.attributes.stream().filter(other -> other.rank() > 0).count();
        int said = Marks.rank(key);
        int rank = !primary ? 0 : said > 1 || key.matches("(?i).*\\bPK 1\\b.*") ? said : inKey + 1;
        int alternate = Marks.alternate(key);
        if (alternate == 0 && Marks.yes(table.cell(row, block.column(ColumnRole.UNIQUE))).orElse(false)) {
            alternate = -1;
        }
        String text = table.cell(row, block.column(ColumnRole.TYPE));
        Optional<SqlType> type = LooseType.read(text, table.cell(row, block.column(ColumnRole.LENGTH)),
                table.cell(row, block.column(ColumnRole.SCALE)));
        String values = table.cell(row, block.column(ColumnRole.VALUES));
        if (type.isEmpty() && !text.isEmpty() && !defined(text, values)) {
            miss(block.sheet(), row, block.column(ColumnRole.TYPE), text,
                    "this is no type that is known; write for example varchar(60), whole number or date");
        }
        String given = table.cell(row, block.column(ColumnRole.DEFAULT));
        boolean numbered = LooseType.numbered(text) || given.equals("numbered by the engine");
        return new ReadAttribute(name, type, text, numbered, required(table, block, row, primary),
                numbered ? "" : given, table.cell(row, block.column(ColumnRole.MEANING)),
                table.cell(row, block.column(ColumnRole.EXAMPLE)), rank, primary && alternate < 0 ? 0 : alternate);
    }

    /** Whether a type is defined in the dictionary itself, on a sheet for types or beside it by what it is made of. */
    private boolean defined(String name, String values) {
        String definition = values.replaceFirst("; .*$", "");
        if (!types.containsKey(SqlName.of(name)) && DictionaryType.understood(definition)) {
            types.put(SqlName.of(name), new ReadType(name, "", definition, ""));
        }
        return types.containsKey(SqlName.of(name));
    }

    private static Optional<Boolean> required(SheetTable table, Block block, int row, boolean primary) {
        if (primary) {
            return Optional.of(true);
        }
        return Marks.yes(table.cell(row, block.column(ColumnRole.REQUIRED)))
                .or(() -> Marks.mayBeEmpty(table.cell(row, block.column(ColumnRole.OPTIONAL))).map(empty -> !empty))
                .or(() -> block.has(ColumnRole.REQUIRED) || block.has(ColumnRole.OPTIONAL)
                        ? Optional.of(block.has(ColumnRole.OPTIONAL)) : Optional.empty());
    }

    /** The entity that a row refers to; a mark alone is none, a mark followed by a name is one. */
    private static String reference(SheetTable table, Block block, int row) {
        String cell = table.cell(row, block.column(ColumnRole.REFERENCES));
        if (!cell.isEmpty() && Marks.yes(cell).isEmpty() && !cell.equalsIgnoreCase("fk")) {
            return Marks.referred(cell);
        }
        String key = table.cell(row, block.column(ColumnRole.KEY));
        return Marks.foreign(key) && key.matches("(?i).*\\bfk\\b\\s*(?:to|->|→|:|\\()?\\s*[\\p{L}].*")
                ? Marks.referred(key.replaceFirst("(?i)^.*?\\bfk\\b\\s*\\(?", "").replaceFirst("(?i)^ak\\d*$", ""))
                : "";
    }

    private void miss(int sheet, int row, int column, String text, String reason) {
        missed.add(new Missed(sheets.get(sheet).name(), row + 1, letters(Math.max(0, column)), text, reason));
    }

    /** The letters by which spreadsheets name a column, from 0. */
    static String letters(int column) {
        return column < 26 ? String.valueOf((char) ('A' + column))
                : letters(column / 26 - 1) + (char) ('A' + column % 26);
    }

    /** A sheet that no heading was found on says nothing, and that is said. */
    private void unread(int sheet, DictionaryLayout layout) {
        SheetTable table = sheets.get(sheet);
        boolean read = layout.blocks().stream().anyMatch(block -> block.sheet() == sheet);
        boolean ours = !table.rows().isEmpty() && (table.headsTypes(0)
                || table.rows().getFirst().stream().limit(4).toList()
                        .equals(List.of("From", "Verb", "How many", "To")));
        if (!read && !ours && table.rows().stream().anyMatch(row -> row.stream().anyMatch(cell -> !cell.isBlank()))) {
            missed.add(new Missed(table.name(), 1, "A", "",
                    "no headings are recognised on this sheet; one column is to be called attribute, field, column or "
                            + "name"));
        }
    }

    private ReadDictionary result() {
        List<ReadEntity> entities = new ArrayList<>();
        List<ReadRelationship> relationships = new ArrayList<>();
        Map<String, Draft> byName = new LinkedHashMap<>(drafts);
        drafts.values().forEach(draft -> byName.putIfAbsent(SqlName.of(Words.singular(draft.name)), draft));
        drafts.values().forEach(draft -> byName.putIfAbsent(SqlName.of(Words.plural(draft.name)), draft));
        for (Draft draft : drafts.values()) {
            List<ReadAttribute> own = new ArrayList<>(draft.attributes);
            for (List<Reference> together : grouped(draft, byName)) {
                Reference first = together.getFirst();
                Draft parent = byName.get(SqlName.of(first.to()));
                own.removeAll(together.stream().map(Reference::attribute).toList());
                relationships.add(new ReadRelationship(draft.name, parent.name,
                        together.stream().map(Reference::attribute).toList(), first.verb(),
                        together.stream().allMatch(reference -> reference.attribute().required().orElse(false)),
                        together.stream().mapToInt(reference -> reference.attribute().rank()).min().orElse(0),
                        alone(draft, together),
                        together.stream().map(reference -> reference.attribute().unique()).distinct().count() == 1
                                && !alone(draft, together) ? Math.max(0, first.attribute().unique()) : 0));
            }
            entities.add(new ReadEntity(draft.name, draft.meaning, draft.area, own));
        }
        return new ReadDictionary(entities, relationships, List.copyOf(types.values()), missed);
    }

    /** Whether the columns are a key by themselves, so that no two rows refer to the same. */
    private static boolean alone(Draft draft, List<Reference> together) {
        List<ReadAttribute> columns = together.stream().map(Reference::attribute).toList();
        List<ReadAttribute> key = draft.attributes.stream().filter(attribute -> attribute.rank() > 0).toList();
        int alternate = columns.getFirst().unique();
        boolean wholeKey = !key.isEmpty() && key.size() == columns.size() && columns.containsAll(key);
        boolean wholeAlternate = alternate == -1 && columns.size() == 1
                || alternate > 0 && draft.attributes.stream().filter(attribute -> attribute.unique() == alternate)
                        .toList().equals(columns);
        return wholeKey || wholeAlternate || together.size() == 1 && together.getFirst().unique() && alternate <= 0;
    }

    /** References that belong together: to the same entity under the same word, as many as its key has parts. */
    private List<List<Reference>> grouped(Draft draft, Map<String, Draft> byName) {
        Map<String, List<Reference>> groups = new LinkedHashMap<>();
        for (Reference reference : draft.references) {
            Draft parent = byName.get(SqlName.of(reference.to()));
            if (parent == null) {
                miss(reference.sheet(), reference.row(), reference.column(), reference.to(),
                        "there is no entity of this name in the dictionary; the column stays an attribute");
                continue;
            }
            long parts = Math.max(1, parent.attributes.stream().filter(attribute -> attribute.rank() > 0).count());
            String word = parent.name + "\n" + reference.verb();
            int number = 0;
            while (groups.containsKey(word + number) && groups.get(word + number).size() >= parts) {
                number++;
            }
            groups.computeIfAbsent(word + number, any -> new ArrayList<>()).add(reference);
        }
        return List.copyOf(groups.values());
    }
}
