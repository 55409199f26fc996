package org.skelda.app.people;

/** A session has ended on its person's wish. @param sessionId its id, which opens nothing any more */
public record SignedOut(String sessionId) {}
