package org.skelda.formats.start;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The text of a trace: its comments before the header, and what follows them.
 *
 * @param body from the header line on
 * @param linesBefore how many lines stand before the header
 * @param type that a comment names; null when none does
 * @param typeLine the line of that comment
 */
record TraceText(String body, int linesBefore, @Nullable String type, int typeLine) {
    static final int MAX_BYTES = 20 * 1000 * 1000;
    private static final char BYTE_ORDER_MARK = '\uFEFF';
    private static final char REPLACED = '\uFFFD';
    private static final String TYPE = "type:";

    /** @throws InvalidTrace when it is too large, empty, not UTF-8, or holds nothing but comments */
    static TraceText of(String file, byte[] bytes) {
        if (bytes.length > MAX_BYTES) {
            throw new InvalidTrace(
                    file, 0, "over 20 MB; a trace of one start is far smaller. Cut it into one file for each start.");
        }
        String text = decoded(file, bytes);
        if (text.isBlank()) {
            throw new InvalidTrace(
                    file, 0, "the file is empty; expected a header line with t_s and one row for each sample");
        }
        return withoutComments(file, text);
    }

    private static String decoded(String file, byte[] bytes) {
        String text = new String(bytes, StandardCharsets.UTF_8);
        if (text.indexOf(REPLACED) >= 0) {
            refuseIfMalformed(file, bytes);
        }
        return !text.isEmpty() && text.charAt(0) == BYTE_ORDER_MARK ? text.substring(1) : text;
    }

    /** A replacement character may stand in the text itself, or stand for bytes that are no text. */
    private static void refuseIfMalformed(String file, byte[] bytes) {
        CharsetDecoder decoder = StandardCharsets.UTF_8.newDecoder().onMalformedInput(CodingErrorAction.REPORT);
        ByteBuffer in = ByteBuffer.wrap(bytes);
        CoderResult result = decoder.decode(in, CharBuffer.allocate(bytes.length), true);
        if (result.isError()) {
            long line = 1;
            for (int i = 0; i < in.position(); i++) {
                line += bytes[i] == '\n' ? 1 : 0;
            }
            throw new InvalidTrace(file, line, "not UTF-8 text; expected CSV");
        }
    }

    private static TraceText withoutComments(String file, String text) {
        int at = 0;
        int line = 0;
        String type = null;
        int typeLine = 0;
        while (at < text.length()) {
            int end = endOfLine(text, at);
            String content = text.substring(at, end).strip();
            if (!content.isEmpty() && content.charAt(0) != '#') {
                return new TraceText(text.substring(at), line, type, typeLine);
            }
            line++;
            Optional<String> named = typeIn(content);
            if (named.isPresent()) {
                type = named.get();
                typeLine = line;
            }
            at = afterLine(text, end);
        }
        throw new InvalidTrace(
                file, line, "no header line; expected one with t_s, starter, fuel and the type's columns");
    }

    private static int endOfLine(String text, int from) {
        int at = from;
        while (at < text.length() && text.charAt(at) != '\n' && text.charAt(at) != '\r') {
            at++;
        }
        return at;
    }

    private static int afterLine(String text, int end) {
        return end + (text.startsWith("\r\n", end) ? 2 : 1);
    }

    private static Optional<String> typeIn(String comment) {
        String words = comment.isEmpty() ? "" : comment.substring(1).strip();
        return words.toLowerCase(Locale.ROOT).startsWith(TYPE)
                ? Optional.of(words.substring(TYPE.length()).strip())
                : Optional.empty();
    }
}
