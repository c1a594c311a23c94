import { useMay } from "../../domain/session";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api } from "../../domain/api";
import { say } from "../../domain/words";
import { FileButton } from "../../ui/FileButton";
import { useGo } from "../../ui/useGo";

/** Takes in a job that another workshop wrote: its file, as it is. */
export function TakeIn() {
  const may = useMay();
  const go = useGo();
  const queries = useQueryClient();
  const taking = useMutation({
    mutationFn: async (file: File) => api.takeJobFile(await file.text()),
    onSuccess: (job) => {
      void queries.invalidateQueries({ queryKey: ["jobs"] });
      void queries.invalidateQueries({ queryKey: ["catalogue"] });
      go(`/jobs/${job.id}`);
    },
  });
  if (!may("TAKE_IN_JOB_FILE")) return null;
  return (
    <>
      <FileButton
        large
        label={say(taking.isPending ? "loading" : "takeIn")}
        accept="application/json,.json"
        disabled={taking.isPending}
        onFile={(file) => taking.mutate(file)}
      />
      {taking.isError && (
        <p role="alert" className="basis-full border-2 border-danger bg-panel p-2">
          {taking.error.message}
        </p>
      )}
    </>
  );
}
