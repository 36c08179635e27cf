package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import org.mobrak.core.material.About;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Part;
import org.mobrak.core.material.Trailer;
import org.mobrak.core.material.Write;

/** An inspection as JSON; names here are a promise to other programs. */
final class InspectionJson {
    private InspectionJson() {}

    static void write(Inspection inspection, ObjectNode node) {
        node.put("file", inspection.file().toString())
                .put("bytes", inspection.bytes())
                .put("kind", inspection.kind().word());
        inspection.digests().ifPresent(digests -> {
            ObjectNode values = node.putObject("digests");
            for (Digest digest : Digest.values()) {
                digests.of(digest).ifPresent(value -> values.put(digest.word(), value));
            }
        });
        members(inspection.root(), node.putArray("members"));
        inspection
                .trailer()
                .ifPresentOrElse(
                        trailer -> trailer(trailer, node.putObject("trailer")),
                        () -> node.putObject("trailer").put("present", false));
        inspection.kernel().ifPresent(kernel -> kernel(kernel, node.putObject("kernel")));
        inspection.boot().ifPresent(boot -> boot(boot, node.putObject("boot")));
        inspection.sparse().ifPresent(sparse -> sparse(sparse, node.putObject("sparse")));
        inspection.root().first(About.Ext4.class).ifPresent(ext4 -> ext4(ext4, node.putObject("ext4")));
        inspection
                .root()
                .first(About.Update.class)
                .ifPresent(update -> update.metadata().forEach(node.withObject("/metadata")::put));
        ArrayNode devices = node.putArray("devices");
        inspection.devices().forEach(devices::add);
        writes(inspection, node.putArray("writes"));
        JsonAnswer.findings(inspection.findings(), node.putArray("findings"));
    }

    private static void members(Part part, ArrayNode nodes) {
        for (Part member : part.inside()) {
            ObjectNode node = nodes.addObject().put("name", member.name());
            member.bytes().ifPresent(bytes -> node.put("bytes", bytes));
            node.put("kind", member.kind().word());
            if (!member.inside().isEmpty()) {
                members(member, node.putArray("members"));
            }
        }
    }

    private static void trailer(Trailer.Checked checked, ObjectNode node) {
        node.put("present", true)
                .put("name", checked.trailer().name())
                .put("expected", checked.trailer().expected())
                .put("actual", checked.actual())
                .put("valid", checked.valid());
    }

    private static void kernel(About.Kernel kernel, ObjectNode node) {
        kernel.release().ifPresent(release -> node.put("release", release));
        kernel.banner().ifPresent(banner -> node.put("banner", banner));
        node.put("compression", kernel.compression())
                .put("layout", kernel.layout().label());
    }

    private static void boot(About.BootImage boot, ObjectNode node) {
        node.put("headerVersion", boot.headerVersion())
                .put("pageSize", boot.pageSize())
                .put("kernelBytes", boot.kernelBytes())
                .put("ramdiskBytes", boot.ramdiskBytes())
                .put("secondBytes", boot.secondBytes())
                .put("dtbBytes", boot.dtbBytes())
                .put("name", boot.name())
                .put("cmdline", boot.cmdline());
        boot.osVersion().ifPresent(version -> node.put("osVersion", version));
        boot.patchLevel().ifPresent(level -> node.put("patchLevel", level.toString()));
        ObjectNode addresses = node.putObject("addresses");
        boot.addresses().forEach(addresses::put);
    }

    private static void sparse(About.Sparse sparse, ObjectNode node) {
        node.put("blockSize", sparse.blockSize()).put("totalBlocks", sparse.totalBlocks());
        node.putObject("chunks")
                .put("raw", sparse.raw())
                .put("fill", sparse.fill())
                .put("dontCare", sparse.dontCare())
                .put("crc32", sparse.crc32());
        node.put("expandedBytes", sparse.expandedBytes());
    }

    private static void ext4(About.Ext4 ext4, ObjectNode node) {
        node.put("volumeName", ext4.volumeName())
                .put("lastMounted", ext4.lastMounted())
                .put("bytes", ext4.bytes())
                .put("uuid", ext4.uuid());
        ext4.written().ifPresent(at -> node.put("written", at.toString()));
    }

    private static void writes(Inspection inspection, ArrayNode nodes) {
        for (Write write : inspection.writes()) {
            nodes.addObject()
                    .put("partition", write.partition())
                    .put("class", write.kind().word())
                    .put("because", write.because());
        }
    }
}
