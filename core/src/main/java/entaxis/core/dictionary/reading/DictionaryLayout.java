package entaxis.core.dictionary.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Where in the sheets of a dictionary what stands: each block has a row of headings, and the rows below it up to the
 * next one.
 *
 * @param blocks in order
 */
public record DictionaryLayout(List<Block> blocks) {
    private static final int MAX_BEFORE = 30;

    /** Copies the blocks. */
    public DictionaryLayout {
        blocks = List.copyOf(blocks);
    }

    /**
     * A table with headings.
     *
     * @param sheet  which sheet, from 0
     * @param entity the entity that it describes, if it is only one
     * @param head   row of the headings, from 0
     * @param end    the row behind the last one
     * @param roles  what each column tells
     */
    public record Block(int sheet, String entity, int head, int end, List<ColumnRole> roles) {
        /** Copies the roles. */
        public Block {
            roles = List.copyOf(roles);
        }

        int column(ColumnRole role) {
            return roles.indexOf(role);
        }

        boolean has(ColumnRole role) {
            return roles.contains(role);
        }

        Block with(List<ColumnRole> other) {
            return new Block(sheet, entity, head, end, other);
        }
    }

    /**
     * Finds the blocks. A block of one entity is named by the line above its headings, where that has only one text,
     * else by the sheet.
     */
    public static DictionaryLayout of(List<SheetTable> sheets) {
        List<Block> blocks = new ArrayList<>();
        for (int sheet = 0; sheet < sheets.size(); sheet++) {
            if (!sheets.get(sheet).rows().isEmpty() && sheets.get(sheet).headsTypes(0)) {
                continue;
            }
            of(sheets.get(sheet), sheet, blocks);
        }
        return new DictionaryLayout(blocks);
    }

    private static void of(SheetTable table, int sheet, List<Block> blocks) {
        Optional<Block> open = Optional.empty();
        for (int row = 0; row < table.rows().size(); row++) {
            if (open.isEmpty() && row > MAX_BEFORE) {
                return;
            }
            List<ColumnRole> roles = ColumnRole.row(table.rows().get(row));
            boolean apart = row == 0 || open.isEmpty()
                    || table.rows().get(row - 1).stream().filter(cell -> !cell.isBlank()).count() <= 1;
            if (apart && headings(roles, table.rows().get(row))) {
                Optional<String> above = row == 0 ? Optional.empty() : alone(table.rows().get(row - 1));
                int end = above.isPresent() ? row - 1 : row;
                open.ifPresent(block -> blocks
                        .add(new Block(block.sheet(), block.entity(), block.head(), end, block.roles())));
                open = Optional.of(new Block(sheet,
                        roles.contains(ColumnRole.ENTITY) ? "" : above.map(DictionaryLayout::name).orElse(table.name()),
                        row, row, roles));
            }
        }
        open.ifPresent(block -> blocks
                .add(new Block(block.sheet(), block.entity(), block.head(), table.rows().size(), block.roles())));
    }

    /** Two known headings at least, in a wide table three, the attribute or the entity among them. */
    private static boolean headings(List<ColumnRole> roles, List<String> cells) {
        long known = roles.stream().filter(role -> role != ColumnRole.NONE).count();
        long filled = cells.stream().filter(cell -> !cell.isBlank()).count();
        boolean subject = roles.contains(ColumnRole.ATTRIBUTE) || roles.contains(ColumnRole.ENTITY);
        return subject && (known >= 3 || known == 2 && filled <= 4);
    }

    private static Optional<String> alone(List<String> row) {
        List<String> filled = row.stream().filter(cell -> !cell.isBlank()).toList();
        return filled.size() == 1 ? Optional.of(filled.getFirst().strip()) : Optional.empty();
    }

    /** “Table: Customer” and the like name Customer. */
    private static String name(String title) {
        return title.replaceFirst("(?i)^(?:\\d+[.)]?\\s*)?(?:table|entity|class|file)\\s*[:\\-–]?\\s+", "")
                .replaceFirst("[:]$", "").strip();
    }

    /** The same with other roles, by number of the block and of the column. */
    public DictionaryLayout with(Map<Integer, List<ColumnRole>> chosen) {
        List<Block> changed = new ArrayList<>();
        for (int i = 0; i < blocks.size(); i++) {
            changed.add(chosen.containsKey(i) ? blocks.get(i).with(chosen.get(i)) : blocks.get(i));
        }
        return new DictionaryLayout(changed);
    }
}
