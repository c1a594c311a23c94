import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { useNavigate } from "react-router";
import { api } from "../../domain/api";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";

/** Takes in a job that another workshop wrote: its file, as it is. */
export function TakeIn() {
  const go = useNavigate();
  const queries = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const taking = useMutation({
    mutationFn: async (file: File) => api.takeJobFile(await file.text()),
    onSuccess: (job) => {
      void queries.invalidateQueries({ queryKey: ["jobs"] });
      void queries.invalidateQueries({ queryKey: ["catalogue"] });
      void go(`/jobs/${job.id}`);
    },
  });
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="application/json,.json"
        aria-label={say("takeIn")}
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) taking.mutate(file);
          e.target.value = "";
        }}
      />
      <Button large disabled={taking.isPending} onClick={() => input.current?.click()}>
        {say(taking.isPending ? "loading" : "takeIn")}
      </Button>
      {taking.isError && (
        <p role="alert" className="basis-full border-2 border-danger bg-panel p-2">
          {taking.error.message}
        </p>
      )}
    </>
  );
}
