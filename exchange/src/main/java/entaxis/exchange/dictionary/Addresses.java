package entaxis.exchange.dictionary;

import entaxis.core.design.SqlName;
import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * Where entities stand inside a dictionary page: addresses made of their names, so that a link goes on working from one
 * edition to the next.
 */
public final class Addresses {
    private final Map<String, String> addresses = new HashMap<>();

    /** The addresses of a dictionary's entries. */
    public Addresses(Dictionary dictionary) {
        Set<String> taken = new HashSet<>();
        dictionary.entities().forEach(entity -> {
            String base = SqlName.of(entity.name()).replaceAll("[^\\p{L}\\p{N}_]+", "");
            String address = base.isEmpty() ? "entity" : base;
            for (int i = 2; !taken.add(address); i++) {
                address = base + "_" + i;
            }
            addresses.put(entity.owner().toString(), address);
        });
    }

    /** The address of an entry. */
    String of(EntityEntry entity) {
        return addresses.get(entity.owner().toString());
    }

    /** The link of a card on a sheet, by the identity of its owner; an empty one if it has no entry. */
    public String link(String owner) {
        return addresses.containsKey(owner) ? "#" + addresses.get(owner) : "";
    }
}
