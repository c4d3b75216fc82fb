package entaxis.core.design;

/**
 * What holds for a design as a whole.
 *
 * @param name   what it is called among one's designs
 * @param target the engine its tables are for
 * @param title  the title on its sheets
 * @param author who made it, for the sheets; may be empty
 */
public record Facts(String name, Target target, String title, String author) { }
