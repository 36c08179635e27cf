package org.mobrak.app;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.PatternLayoutEncoder;
import ch.qos.logback.classic.spi.Configurator;
import ch.qos.logback.classic.spi.ConfiguratorRank;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.rolling.FixedWindowRollingPolicy;
import ch.qos.logback.core.rolling.RollingFileAppender;
import ch.qos.logback.core.rolling.SizeBasedTriggeringPolicy;
import ch.qos.logback.core.spi.ContextAwareBase;
import ch.qos.logback.core.util.FileSize;
import java.nio.file.Path;

/**
 * What the parts have to say goes to a file, since standard output belongs to the answers. It is told here and not in a file of
 * settings: reading one took a tenth of a second of every start.
 */
@ConfiguratorRank(ConfiguratorRank.CUSTOM_HIGH_PRIORITY)
public final class LogFile extends ContextAwareBase implements Configurator {
    private static final String LINE = "%d{yyyy-MM-dd'T'HH:mm:ss.SSSXXX, UTC} %-5level %logger{24} %msg%n";
    private static final long LARGEST = FileSize.MB_COEFFICIENT;
    private static final int OLDER = 2;

    @Override
    public ExecutionStatus configure(LoggerContext context) {
        Logger root = context.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
        root.setLevel(Level.INFO);
        root.addAppender(file(context, place()));
        return ExecutionStatus.DO_NOT_INVOKE_NEXT_IF_ANY;
    }

    private static String place() {
        String usual = Path.of(System.getProperty("user.home", "."), ".local", "state", "mobrak", "mobrak.log")
                .toString();
        return System.getProperty("mobrak.log", usual);
    }

    private static RollingFileAppender<ILoggingEvent> file(LoggerContext context, String name) {
        RollingFileAppender<ILoggingEvent> file = new RollingFileAppender<>();
        file.setContext(context);
        file.setFile(name);
        file.setEncoder(lines(context));
        file.setTriggeringPolicy(whenLarge(context));
        file.setRollingPolicy(older(context, file));
        file.start();
        return file;
    }

    private static PatternLayoutEncoder lines(LoggerContext context) {
        PatternLayoutEncoder lines = new PatternLayoutEncoder();
        lines.setContext(context);
        lines.setPattern(LINE);
        lines.start();
        return lines;
    }

    private static SizeBasedTriggeringPolicy<ILoggingEvent> whenLarge(LoggerContext context) {
        SizeBasedTriggeringPolicy<ILoggingEvent> large = new SizeBasedTriggeringPolicy<>();
        large.setContext(context);
        large.setMaxFileSize(new FileSize(LARGEST));
        large.start();
        return large;
    }

    private static FixedWindowRollingPolicy older(LoggerContext context, RollingFileAppender<ILoggingEvent> file) {
        FixedWindowRollingPolicy older = new FixedWindowRollingPolicy();
        older.setContext(context);
        older.setParent(file);
        older.setFileNamePattern(file.rawFileProperty() + ".%i");
        older.setMinIndex(1);
        older.setMaxIndex(OLDER);
        older.start();
        return older;
    }
}
