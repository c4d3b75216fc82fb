package entaxis.core.engine.mariadb;

import entaxis.core.engine.mysql.MySqlWording;
import entaxis.core.targets.Target;
import java.util.regex.Pattern;

/** MariaDB manual, “Information Schema Tables”: MySQL but for what is said here. */
public final class MariaDbWording extends MySqlWording {
    private static final Pattern MADE_UP = Pattern.compile("CONSTRAINT_[0-9]+|.*_ibfk_[0-9]+");

    @Override
    public boolean isMadeUp(String name) {
        return MADE_UP.matcher(name).matches();
    }
    @Override
    public Target engine() {
        return Target.MARIADB;
    }
}
