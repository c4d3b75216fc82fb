package entaxis.core.schema;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * Who may do what with one object (ISO/IEC 9075-2, 12.1). Immutable.
 *
 * @param all    the privileges that there are on such an object
 * @param grants what was granted, in order of grantee and privilege; all privileges together as one
 */
public record Privileges(List<String> all, List<Grant> grants) {
    private static final Comparator<Grant> ORDER =
            Comparator.comparing(Grant::grantee).thenComparing(Grant::privilege).thenComparing(Grant::grantable);

    /** Puts the grants into order. */
    public Privileges {
        all = List.copyOf(all);
        grants = ordered(all, grants);
    }

    private static List<Grant> ordered(List<String> all, Collection<Grant> grants) {
        Set<Grant> each = new TreeSet<>(ORDER);
        grants.forEach(grant -> each(grant, all).forEach(each::add));
        each.removeIf(grant -> !grant.grantable()
                && each.contains(new Grant(grant.privilege(), grant.grantee(), true)));
        List<Grant> ordered = new ArrayList<>();
        for (Grant grant : each) {
            boolean whole = all.size() > 1 && all.stream().allMatch(
                    privilege -> each.contains(new Grant(privilege, grant.grantee(), grant.grantable())));
            Grant kept = whole ? new Grant(Grant.ALL, grant.grantee(), grant.grantable()) : grant;
            if (!ordered.contains(kept)) {
                ordered.add(kept);
            }
        }
        return List.copyOf(ordered);
    }

    private static Stream<Grant> each(Grant grant, List<String> all) {
        return grant.privilege().equals(Grant.ALL) && !all.isEmpty()
                ? all.stream().map(privilege -> new Grant(privilege, grant.grantee(), grant.grantable()))
                : Stream.of(grant);
    }

    /** With one more. */
    public Privileges with(Grant grant) {
        return new Privileges(all, Stream.concat(grants.stream(), Stream.of(grant)).toList());
    }

    /** Without a privilege of a grantee, or without the right to hand it on. */
    public Privileges without(String privilege, String grantee, boolean onlyTheOption) {
        List<String> gone = privilege.equals(Grant.ALL) && !all.isEmpty() ? all : List.of(privilege);
        List<Grant> rest = new ArrayList<>();
        grants.stream().flatMap(grant -> each(grant, all)).forEach(grant -> {
            boolean meant = grant.grantee().equals(grantee) && gone.contains(grant.privilege());
            if (!meant) {
                rest.add(grant);
            } else if (onlyTheOption) {
                rest.add(new Grant(grant.privilege(), grantee, false));
            }
        });
        return new Privileges(all, rest);
    }
}
