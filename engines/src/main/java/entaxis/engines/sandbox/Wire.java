package entaxis.engines.sandbox;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How the two ends of a sandbox write texts and rows to each other. A text is its length in bytes and its bytes in
 * UTF-8; -1 stands for no value.
 */
final class Wire {
    /** Run statements in order; answered one by one. */
    static final byte RUN = 1;
    /** Put a question of a user; answered shortened. */
    static final byte ASK = 2;
    /** Put a query of our own with parameters; answered whole. */
    static final byte READ = 3;
    /** Begin again with an empty database. */
    static final byte RESET = 4;
    /** The answer is what was asked for. */
    static final byte DONE = 10;
    /** The engine refused; its reason follows. */
    static final byte REFUSED = 11;
    /** The statement was cancelled because it took too long. */
    static final byte TOO_LONG = 12;
    /** More columns than any engine lets a query have mean that the other end is not what it should be. */
    private static final int MAX_COLUMNS = 20_000;

    private Wire() { }

    static void text(DataOutputStream out, String text) throws IOException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        out.writeInt(bytes.length);
        out.write(bytes);
    }

    static void cell(DataOutputStream out, Optional<String> cell) throws IOException {
        if (cell.isPresent()) {
            text(out, cell.get());
        } else {
            out.writeInt(-1);
        }
    }

    static void texts(DataOutputStream out, List<String> texts) throws IOException {
        out.writeInt(texts.size());
        for (String text : texts) {
            text(out, text);
        }
    }

    /** A text of at most so many bytes; a longer one ends the conversation. */
    static String text(DataInputStream in, int most) throws IOException {
        return cell(in, most).orElseThrow(() -> new IOException("a text is missing"));
    }

    static Optional<String> cell(DataInputStream in, int most) throws IOException {
        int length = in.readInt();
        if (length == -1) {
            return Optional.empty();
        }
        if (length < 0 || length > most) {
            throw new IOException("a text of " + length + " bytes is longer than " + most);
        }
        byte[] bytes = new byte[length];
        in.readFully(bytes);
        return Optional.of(new String(bytes, StandardCharsets.UTF_8));
    }

    static List<String> texts(DataInputStream in, int most) throws IOException {
        int count = in.readInt();
        if (count < 0 || count > MAX_COLUMNS) {
            throw new IOException(count + " texts are more than " + MAX_COLUMNS);
        }
        List<String> texts = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            texts.add(text(in, most));
        }
        return texts;
    }
}
