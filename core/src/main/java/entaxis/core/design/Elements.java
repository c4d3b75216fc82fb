package entaxis.core.design;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * An immutable sequence of elements, each found by its identity in constant time. A change copies it, in linear time.
 */
public final class Elements<K, V extends Elements.Element<K>> implements Iterable<V> {

    /** What has an identity. */
    public interface Element<K> {
        /** The identity, unique within its sequence. */
        K id();
    }

    private final List<V> values;
    private final Map<K, V> byId;

    private Elements(List<V> values) {
        this.values = List.copyOf(values);
        this.byId = LinkedHashMap.newLinkedHashMap(values.size());
        for (V value : values) {
            if (byId.put(value.id(), value) != null) {
                throw new IllegalArgumentException("two elements have the identity " + value.id());
            }
        }
    }

    /** The empty sequence. */
    public static <K, V extends Element<K>> Elements<K, V> none() {
        return new Elements<>(List.of());
    }

    /**
     * A sequence of these elements in this order.
     *
     * @throws IllegalArgumentException if two have one identity
     */
    public static <K, V extends Element<K>> Elements<K, V> of(List<V> values) {
        return new Elements<>(values);
    }

    /** The element of this identity, if there is one. */
    public Optional<V> find(K id) {
        return Optional.ofNullable(byId.get(id));
    }

    /**
     * The element of this identity.
     *
     * @throws java.util.NoSuchElementException if there is none
     */
    public V get(K id) {
        return find(id).orElseThrow(() -> new java.util.NoSuchElementException("no element " + id));
    }

    /** Whether there is an element of this identity. */
    public boolean contains(K id) {
        return byId.containsKey(id);
    }

    /** Place of the element in the order, or -1. */
    public int indexOf(K id) {
        return byId.containsKey(id) ? values.indexOf(byId.get(id)) : -1;
    }

    /** This sequence with the element in the place of the one of its identity, or added at the end. */
    public Elements<K, V> with(V value) {
        return with(value, values.size());
    }

    /** This sequence with the element in the place of the one of its identity, or else inserted at an index. */
    public Elements<K, V> with(V value, int index) {
        List<V> next = new ArrayList<>(values);
        if (byId.containsKey(value.id())) {
            next.set(indexOf(value.id()), value);
        } else {
            next.add(Math.clamp(index, 0, next.size()), value);
        }
        return new Elements<>(next);
    }

    /** This sequence without the element of this identity. */
    public Elements<K, V> without(K id) {
        return byId.containsKey(id) ? new Elements<>(values.stream().filter(value -> !value.id().equals(id)).toList())
                : this;
    }

    /** The elements that are not the very same objects in an earlier state, in order. Linear. */
    public List<V> changedSince(Elements<K, V> earlier) {
        List<V> changed = new ArrayList<>();
        for (int i = 0; i < values.size() && this != earlier; i++) {
            V value = values.get(i);
            boolean inPlace = i < earlier.values.size() && earlier.values.get(i) == value;
            if (!inPlace && earlier.byId.get(value.id()) != value) {
                changed.add(value);
            }
        }
        return changed;
    }

    /** The elements in order. */
    public List<V> list() {
        return values;
    }

    /** The elements in order. */
    public Stream<V> stream() {
        return values.stream();
    }

    /** How many there are. */
    public int size() {
        return values.size();
    }

    @Override
    public Iterator<V> iterator() {
        return values.iterator();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Elements<?, ?> that && values.equals(that.values);
    }

    @Override
    public int hashCode() {
        return values.hashCode();
    }

    @Override
    public String toString() {
        return values.toString();
    }
}
