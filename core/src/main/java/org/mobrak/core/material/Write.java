package org.mobrak.core.material;

import org.mobrak.core.catalogue.PartitionClass;

/**
 * A partition that a file would write.
 *
 * @param partition its name, lower case, without a slot suffix
 * @param because what in the file says so
 */
public record Write(String partition, PartitionClass kind, String because) {
    /** The same on a phone whose partitions are called so. */
    Write by(PartitionNames names) {
        return new Write(partition, names.classOf(partition), because);
    }
}
