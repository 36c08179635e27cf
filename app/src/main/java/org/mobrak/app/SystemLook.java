package org.mobrak.app;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Properties;

/** Whether a computer's windows are dark, as its toolkit's settings say: a theme's name, or the wish for a dark one. */
final class SystemLook {
    private SystemLook() {}

    static boolean isDark(Path home, Map<String, String> environment) {
        String named = environment.getOrDefault("GTK_THEME", "");
        if (!named.isBlank()) {
            return isDark(named);
        }
        Path settings = Path.of(environment.getOrDefault(
                        "XDG_CONFIG_HOME", home.resolve(".config").toString()))
                .resolve("gtk-3.0/settings.ini");
        Properties said = new Properties();
        try (Reader file = Files.newBufferedReader(settings)) {
            said.load(file);
        } catch (IOException | IllegalArgumentException absent) {
            return false;
        }
        String wish = said.getProperty("gtk-application-prefer-dark-theme", "");
        return wish.equals("1") || wish.equals("true") || isDark(said.getProperty("gtk-theme-name", ""));
    }

    private static boolean isDark(String theme) {
        return theme.toLowerCase(Locale.ROOT).contains("dark");
    }
}
