package entaxis.web.store;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;

/** A design in memory, as it is at one revision, with what follows from it. */
public record OpenDesign(String id, long revision, Design design, Derivation derivation, UndoHistory history) { }
