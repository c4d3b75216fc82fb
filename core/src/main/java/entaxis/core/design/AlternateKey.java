package entaxis.core.design;

import java.util.List;

/**
 * A key beside the primary one: no two rows may have the same values in it.
 *
 * @param number its number in the entity, shown as AK1, AK2 (FIPS PUB 184)
 */
public record AlternateKey(int number, List<KeyPart> parts) {
    /** Copies the parts. */
    public AlternateKey {
        parts = List.copyOf(parts);
    }
}
