import { useQuery, useQueryClient } from "@tanstack/react-query";
import { api } from "./api";
import type { Job } from "./types";

/** The job that has more in its log: an answer that was under way while something was entered is the older one. */
export const laterOf = (there: Job | undefined, come: Job): Job =>
  there && there.sequence > come.sequence ? there : come;

/** A job as its log has it by now; nothing is asked without an id. */
export function useJob(jobId: string | undefined) {
  const queries = useQueryClient();
  const queryKey = ["job", jobId];
  return useQuery({
    queryKey,
    queryFn: async () => {
      const come = await api.job(jobId ?? "");
      return laterOf(queries.getQueryData<Job>(queryKey), come);
    },
    enabled: jobId !== undefined && jobId !== "",
  });
}
