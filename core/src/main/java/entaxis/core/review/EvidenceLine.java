package entaxis.core.review;

/** One thing among several that a finding is about, with the line of evidence for it. */
public record EvidenceLine(About about, String text) { }
