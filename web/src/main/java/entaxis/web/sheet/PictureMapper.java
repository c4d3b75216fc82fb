package entaxis.web.sheet;

import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** SQL of the pictures. */
@Mapper
interface PictureMapper {
    /** What a picture is, and its bytes. */
    record PictureRow(String type, byte[] bytes) { }

    @Select("select type, bytes from picture where content = #{content}")
    Optional<PictureRow> picture(String content);

    @Insert("insert into picture (content, type, bytes) values (#{content}, #{type}, #{bytes})")
    void insertPicture(@Param("content") String content, @Param("type") String type, @Param("bytes") byte[] bytes);
}
