package org.mobrak.link;

import java.util.function.Consumer;
import org.mobrak.core.catalogue.PartitionClass;

/** A phone, as far as a cable can reach it: a method for each {@link Request}. Whatever does not go is a reply, never thrown. */
public interface Handset {
    Reply<String> properties();

    Reply<String> kernelBanner();

    Reply<String> battery();

    Reply<Mode> restart(Mode mode);

    Reply<PhoneFile> pull(String path);

    Reply<PhoneFile> push(String path, PhoneFile file, Consumer<PhoneLink.Progress> told);

    Reply<Long> write(PartitionClass where, byte[] image, Consumer<PhoneLink.Progress> told);

    Reply<String> sideload(byte[] file, Consumer<PhoneLink.Progress> told);

    Reply<String> install(String name, byte[] file, Consumer<PhoneLink.Progress> told);

    Reply<Request.Said> run(String command, boolean root);
}
