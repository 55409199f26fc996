package org.skelda.app.store;

import org.h2.api.ErrorCode;
import org.h2.jdbc.JdbcException;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in one sentence why the data folder or its database stops the start. */
class DatabaseFailureAnalyzer extends AbstractFailureAnalyzer<Exception> {
    @Override
    protected @Nullable FailureAnalysis analyze(Throwable rootFailure, Exception outermost) {
        DataFolder.Unusable unusable = findCause(rootFailure, DataFolder.Unusable.class);
        if (unusable != null) {
            return new FailureAnalysis(unusable.getMessage(), unusable.todo(), unusable);
        }
        for (Throwable cause = rootFailure; cause != null; cause = cause.getCause()) {
            if (cause instanceof JdbcException database) {
                return analysis(database, cause);
            }
        }
        return null;
    }

    private static @Nullable FailureAnalysis analysis(JdbcException database, Throwable cause) {
        return switch (database.getErrorCode()) {
            case ErrorCode.DATABASE_ALREADY_OPEN_1 ->
                new FailureAnalysis(
                        "The data folder is in use by another Skelda server.",
                        "Stop that one, or give this one a folder of its own with --data.",
                        cause);
            case ErrorCode.FILE_CORRUPTED_1, ErrorCode.FILE_VERSION_ERROR_1 ->
                new FailureAnalysis(
                        "The database in the data folder is damaged and was left as it is.",
                        "Put the data back from a backup with ./skelda restore into an empty folder, and keep the "
                                + "damaged one.",
                        cause);
            case ErrorCode.IO_EXCEPTION_1, ErrorCode.IO_EXCEPTION_2 ->
                new FailureAnalysis(
                        "The database in the data folder could not be read or written.",
                        "Look whether the disk is full, whether the folder belongs to the user who starts Skelda, "
                                + "and whether the file is whole; if it is not, put it back from a backup with "
                                + "./skelda restore.",
                        cause);
            default -> null;
        };
    }
}
