package org.mobrak.app;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.PatternLayoutEncoder;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.rolling.FixedWindowRollingPolicy;
import ch.qos.logback.core.rolling.RollingFileAppender;
import ch.qos.logback.core.rolling.SizeBasedTriggeringPolicy;
import ch.qos.logback.core.util.FileSize;
import java.nio.file.Path;
import org.slf4j.ILoggerFactory;
import org.slf4j.IMarkerFactory;
import org.slf4j.helpers.BasicMarkerFactory;
import org.slf4j.helpers.NOPMDCAdapter;
import org.slf4j.spi.MDCAdapter;
import org.slf4j.spi.SLF4JServiceProvider;

/**
 * What the parts have to say goes to a file, since standard output belongs to the answers. Named by the system property {@code
 * slf4j.provider}, it is made ready without looking for files of settings and for others that would like to: that took a
 * twentieth of every start.
 */
public final class LogFile implements SLF4JServiceProvider {
    private static final String LINE = "%d{yyyy-MM-dd'T'HH:mm:ss.SSSXXX, UTC} %-5level %logger{24} %msg%n";
    /** Any 2.0, as such providers say it (the interface's own documentation). */
    private static final String API = "2.0.99";

    private static final long LARGEST = FileSize.MB_COEFFICIENT;
    private static final int OLDER = 2;

    private final LoggerContext context = new LoggerContext();
    private final IMarkerFactory markers = new BasicMarkerFactory();
    private final MDCAdapter nothingBesides = new NOPMDCAdapter();
    private final Path place;

    /** The log of this program, where the system property {@code mobrak.log} says, or where such things lie. */
    public LogFile() {
        this(Path.of(System.getProperty("mobrak.log", usual())));
    }

    LogFile(Path place) {
        this.place = place;
    }

    @Override
    public void initialize() {
        context.setName("mobrak");
        context.setMDCAdapter(nothingBesides);
        Logger root = context.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
        root.setLevel(Level.INFO);
        root.addAppender(file(context, place.toString()));
        context.start();
    }

    @Override
    public ILoggerFactory getLoggerFactory() {
        return context;
    }

    @Override
    public IMarkerFactory getMarkerFactory() {
        return markers;
    }

    @Override
    public MDCAdapter getMDCAdapter() {
        return nothingBesides;
    }

    @Override
    public String getRequestedApiVersion() {
        return API;
    }

    private static String usual() {
        return Path.of(System.getProperty("user.home", "."), ".local", "state", "mobrak", "mobrak.log")
                .toString();
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
