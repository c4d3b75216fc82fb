package entaxis.drawing.paint;

import java.util.Base64;
import java.util.Optional;

/** Where the bytes of the pictures on a sheet are found. */
@FunctionalInterface
public interface PictureSource {
    /** No pictures. */
    PictureSource NONE = content -> Optional.empty();

    /** A picture's bytes and what they are, such as {@code image/png}. */
    record Bytes(String type, byte[] bytes) { }

    /** The picture that is kept under a key, if there is one. */
    Optional<Bytes> find(String content);

    /** A picture as an address that holds it whole; an empty one if there is no such picture. */
    default String inline(String content) {
        return find(content).map(
                picture -> "data:" + picture.type() + ";base64," + Base64.getEncoder().encodeToString(picture.bytes()))
                .orElse("data:,");
    }
}
