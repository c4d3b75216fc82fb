package entaxis.core.dependency;

/** How far a relation is normalized. */
public enum NormalForm {
    FIRST("1NF", "first normal form"), SECOND("2NF", "second normal form"), THIRD("3NF", "third normal form"),
    BOYCE_CODD("BCNF", "Boyce-Codd normal form"), FOURTH("4NF", "fourth normal form");

    private final String sign;
    private final String words;

    NormalForm(String sign, String words) {
        this.sign = sign;
        this.words = words;
    }

    /** Its short name. */
    public String sign() {
        return sign;
    }

    /** Its name in words. */
    public String words() {
        return words;
    }
}
