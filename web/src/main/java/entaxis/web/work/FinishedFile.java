package entaxis.web.work;

/**
 * A file that was made for someone.
 *
 * @param type the media type
 */
public record FinishedFile(String name, String type, byte[] bytes) { }
