package org.skelda.app.store;

import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.PatternLayoutEncoder;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.rolling.FixedWindowRollingPolicy;
import ch.qos.logback.core.rolling.RollingFileAppender;
import ch.qos.logback.core.rolling.SizeBasedTriggeringPolicy;
import ch.qos.logback.core.util.FileSize;
import java.nio.file.Path;
import org.slf4j.ILoggerFactory;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** What the server says of itself, in {@code log/skelda.log} in the data folder: three files of 2 MB at most. */
@Component
class ServerLog implements DisposableBean {
    private static final FileSize LARGEST = FileSize.valueOf("2MB");
    private static final int OLDER_ONES = 2;
    private static final String PATTERN =
            "%d{yyyy-MM-dd'T'HH:mm:ss.SSSXXX, UTC} %-5level [%thread] %logger{40}: %msg%n";

    private final RollingFileAppender<ILoggingEvent> file = new RollingFileAppender<>();

    ServerLog(DataFolder data) {
        ILoggerFactory factory = LoggerFactory.getILoggerFactory();
        if (!(factory instanceof LoggerContext context)) {
            throw new IllegalStateException("the server's log needs Logback, not " + factory);
        }
        Path folder = data.path().resolve("log");
        PatternLayoutEncoder encoder = new PatternLayoutEncoder();
        encoder.setContext(context);
        encoder.setPattern(PATTERN);
        encoder.start();
        FixedWindowRollingPolicy older = new FixedWindowRollingPolicy();
        older.setContext(context);
        older.setParent(file);
        older.setFileNamePattern(folder.resolve("skelda.%i.log").toString());
        older.setMinIndex(1);
        older.setMaxIndex(OLDER_ONES);
        SizeBasedTriggeringPolicy<ILoggingEvent> bound = new SizeBasedTriggeringPolicy<>();
        bound.setContext(context);
        bound.setMaxFileSize(LARGEST);
        file.setContext(context);
        file.setFile(folder.resolve("skelda.log").toString());
        file.setEncoder(encoder);
        file.setRollingPolicy(older);
        file.setTriggeringPolicy(bound);
        older.start();
        bound.start();
        file.start();
        context.getLogger(Logger.ROOT_LOGGER_NAME).addAppender(file);
    }

    @Override
    public void destroy() {
        if (LoggerFactory.getILoggerFactory() instanceof LoggerContext context) {
            context.getLogger(Logger.ROOT_LOGGER_NAME).detachAppender(file);
        }
        file.stop();
    }
}
