package entaxis.web.reconcile;

import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** SQL of what is noted while a design and another side are reconciled. */
@Mapper
interface ReconcileNoteMapper {
    /** A note as it stands in its row; of a kind perhaps that this version does not know. */
    record Row(String kind, String about, String answer) { }

    @Select("select kind, about, answer from reconcile_note where design_id = #{design} and side = #{side}")
    List<Row> rows(@Param("design") String design, @Param("side") String side);

    /** The notes of kinds that are known. */
    default List<ReconcileNote> notes(String design, String side) {
        return rows(design, side).stream()
                .filter(row -> Arrays.stream(ReconcileNote.Kind.values())
                        .anyMatch(kind -> kind.name().equals(row.kind())))
                .map(row -> new ReconcileNote(ReconcileNote.Kind.valueOf(row.kind()), row.about(), row.answer()))
                .toList();
    }

    @Select("select distinct side from reconcile_note where design_id = #{design} and kind = 'SCRIPT' order by side")
    List<String> scripts(String design);

    @Insert("""
            merge into reconcile_note (design_id, side, kind, about, answer, noted_at) key (design_id, side, kind, \
            about)
            values (#{design}, #{side}, #{note.kind}, #{note.about}, #{note.answer}, #{at})""")
    void put(@Param("design") String design, @Param("side") String side, @Param("note") ReconcileNote note,
            @Param("at") OffsetDateTime at);

    @Delete("delete from reconcile_note where design_id = #{design} and side = #{side} and kind = #{kind} and about = "
            + "#{about}")
    void remove(@Param("design") String design, @Param("side") String side, @Param("kind") ReconcileNote.Kind kind,
            @Param("about") String about);
}
