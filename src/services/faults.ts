import { RecordUnreadable } from "@/records/aside";
import { diskFaultOf, type DiskFault } from "@/records/disk";

/** What of an error a person can be told and do something about; undefined where it is a fault of ours. */
export function faultOf(error: unknown): DiskFault | undefined {
  const disk = diskFaultOf(error);
  if (disk) return disk;
  if (!(error instanceof RecordUnreadable)) return undefined;
  const { of, name, reason } = error.aside;
  return { reason: `The ${of} ${name} can't be read: ${reason}.`, todo: "Save it anew, or restore a backup that has it." };
}
