package entaxis.core.reading;

import java.util.ArrayList;
import java.util.List;

/** The forms that the statements of a script have had. Dumps give each table its keys, references and indexes in the same words. */
final class StatementForms {
    private static final int MOST = 8;
    private final String text;
    private final List<StatementForm> forms = new ArrayList<>(MOST);
    private final CutStatement trial = new CutStatement(new TokenRow());

    StatementForms(String text) {
        this.text = text;
    }

    boolean hasRoom() {
        return forms.size() < MOST;
    }

    /** Forgets everything: from here on the same signs may mean something else. */
    void forget() {
        forms.clear();
    }

    /** Remembers a form, unless there is one already that its statement has. */
    void remember(StatementForm form) {
        trial.begin(0);
        if (hasRoom() && forms.stream().noneMatch(known -> known.cut(text, form.from(), trial) >= 0)) {
            forms.add(form);
        }
        trial.drop();
    }

    /** Cuts the statement at a place into its names, if its form is known; gives where it ends, else a negative number. */
    int cut(int from, CutStatement into) {
        for (int i = 0; i < forms.size(); i++) {
            StatementForm form = forms.get(i);
            int end = form.cut(text, from, into);
            if (end >= 0) {
                if (i > 0) {
                    // what comes often comes forward
                    forms.set(i, forms.get(i - 1));
                    forms.set(i - 1, form);
                }
                return end;
            }
        }
        return -1;
    }
}
