import { useQuery } from "@tanstack/react-query";
import { api } from "./api";
import { DEVICE } from "./device";
import { useSettings } from "./settings";

const TELL_EVERY_MS = 8_000;

/** Tells that this device looks at a job, and who else does: by whom and at which test. */
export function usePresence(jobId: string, procedureId?: string) {
  const { personId } = useSettings();
  const others = useQuery({
    queryKey: ["presence", jobId, personId, procedureId ?? ""],
    queryFn: () => api.present(jobId, DEVICE, procedureId),
    refetchInterval: TELL_EVERY_MS,
    retry: false,
    gcTime: 0,
  });
  return others.data ?? [];
}
