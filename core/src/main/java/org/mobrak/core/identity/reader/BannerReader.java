package org.mobrak.core.identity.reader;

import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Source;

/** Kernel banners, wherever in a line they begin. */
final class BannerReader implements FormReader {
    @Override
    public void read(Page page) {
        page.open()
                .forEach(index -> KernelBanner.in(page.raw(index)).ifPresent(banner -> {
                    page.take(index);
                    say(page, banner, index);
                }));
    }

    private static void say(Page page, KernelBanner banner, int index) {
        page.say(Fact.KERNEL_RELEASE, banner.release(), Source.KERNEL_BANNER, index);
        banner.built().ifPresent(built -> page.say(Fact.KERNEL_BUILT, built, Source.KERNEL_BANNER, index));
        banner.builder().ifPresent(who -> page.say(Fact.KERNEL_BUILDER, who, Source.KERNEL_BANNER, index));
        banner.compiler().ifPresent(what -> page.say(Fact.KERNEL_COMPILER, what, Source.KERNEL_BANNER, index));
        banner.build().ifPresent(build -> page.say(Fact.KERNEL_BUILD, build, Source.KERNEL_BANNER, index));
    }
}
