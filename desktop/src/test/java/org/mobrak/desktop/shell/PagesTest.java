package org.mobrak.desktop.shell;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import java.util.EnumMap;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.mobrak.app.Snapshot;
import org.mobrak.desktop.parts.View;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

class PagesTest {
    private final Runnable allMade = mock(Runnable.class);
    private final Map<Page, View> views = new EnumMap<>(Page.class);
    private final Snapshot first = mock(Snapshot.class);
    private final Snapshot second = mock(Snapshot.class);

    @BeforeAll
    static void start() throws Exception {
        FxToolkit.registerPrimaryStage();
    }

    /** All in one turn of the toolkit's thread, so that no pulse comes between. */
    @Test
    void whoeverTurnsToAPageBeforeItsTurnFindsItAsItShouldBe() {
        WaitForAsyncUtils.waitForAsyncFx(10_000, () -> {
            Pages pages = new Pages(() -> false, allMade);
            for (Page page : Page.values()) {
                views.put(page, mock(View.class));
                pages.add(page, () -> views.get(page));
            }
            pages.show(first, Page.READINGS);
            verify(views.get(Page.READINGS)).show(first);
            verify(views.get(Page.FILES), never()).show(any());
            pages.page(Page.FILES);
            verify(views.get(Page.FILES)).show(first);
            pages.show(second, Page.READINGS);
            verify(views.get(Page.FILES), never()).show(second);
            pages.page(Page.FILES);
            pages.page(Page.FILES);
            verify(views.get(Page.FILES), times(1)).show(second);
            verify(allMade, never()).run();
            for (Page page : Page.values()) {
                pages.page(page);
            }
            verify(allMade, times(1)).run();
        });
    }
}
