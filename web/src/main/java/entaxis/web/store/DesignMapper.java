package entaxis.web.store;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** SQL of the design aggregate: designs, their journal, their snapshots. */
@Mapper
public interface DesignMapper {
    String COLUMNS =
            "id, name, target, revision, entities, relationships, created_at as createdAt, changed_at as changedAt";

    @Select("select " + COLUMNS + " from design where deleted_at is null order by changed_at desc, id")
    List<DesignRow> designs();

    /** Deleted ones too. */
    @Select("select " + COLUMNS + " from design order by changed_at desc, id")
    List<DesignRow> allDesigns();

    @Select("select " + COLUMNS + " from design where id = #{id} and deleted_at is null")
    Optional<DesignRow> design(String id);

    @Insert("""
            insert into design (id, name, target, revision, entities, relationships, created_at, changed_at)
            values (#{id}, #{name}, #{target}, #{revision}, #{entities}, #{relationships}, #{createdAt}, \
            #{changedAt})""")
    void insertDesign(DesignRow design);

    @Update("""
            update design set name = #{row.name}, target = #{row.target}, revision = #{row.revision}, entities = \
            #{row.entities},
                relationships = #{row.relationships}, changed_at = #{row.changedAt}
            where id = #{row.id} and revision = #{before} and deleted_at is null""")
    int updateDesign(@Param("row") DesignRow row, @Param("before") long before);

    @Update("update design set deleted_at = #{at} where id = #{id} and deleted_at is null")
    int delete(@Param("id") String id, @Param("at") OffsetDateTime at);

    @Update("update design set deleted_at = null where id = #{id} and deleted_at is not null")
    int restore(String id);

    @Insert("""
            insert into journal (design_id, revision, kind, change_json, inverse_json, author, made_at)
            values (#{designId}, #{revision}, #{kind}, #{changeJson}, #{inverseJson}, #{author}, #{madeAt})""")
    void insertJournal(JournalRow row);

    @Select("select revision, kind from journal where design_id = #{id} and revision <= #{upTo} order by revision")
    List<JournalStep> history(@Param("id") String id, @Param("upTo") long upTo);

    @Select("select inverse_json from journal where design_id = #{id} and revision = #{revision}")
    Optional<String> inverse(@Param("id") String id, @Param("revision") long revision);

    @Insert("insert into snapshot (design_id, revision, design_json) values (#{id}, #{revision}, #{json})")
    void insertSnapshot(@Param("id") String id, @Param("revision") long revision, @Param("json") String json);

    @Select("select revision, design_json as designJson from snapshot where design_id = #{id} order by revision desc "
            + "fetch first row only")
    Optional<SnapshotRow> lastSnapshot(String id);

    @Select("select revision from snapshot where design_id = #{id} and revision <= #{upTo} order by revision desc")
    List<Long> snapshots(@Param("id") String id, @Param("upTo") long upTo);

    @Select("select revision, design_json as designJson from snapshot where design_id = #{id} and revision = "
            + "#{revision}")
    Optional<SnapshotRow> snapshot(@Param("id") String id, @Param("revision") long revision);

    @Select("""
            select design_id as designId, revision, kind, change_json as changeJson, inverse_json as inverseJson, \
            author, made_at as madeAt
            from journal where design_id = #{id} and revision > #{after} and revision <= #{upTo} order by revision""")
    List<JournalRow> journalBetween(@Param("id") String id, @Param("after") long after, @Param("upTo") long upTo);

    @Insert("insert into version (design_id, name, revision, named_at) values (#{id}, #{version.name}, "
            + "#{version.revision}, #{version.namedAt})")
    void insertVersion(@Param("id") String id, @Param("version") Version version);

    @Select("select name, revision, named_at as namedAt from version where design_id = #{id} order by revision desc, "
            + "named_at desc")
    List<Version> versions(String id);
}
