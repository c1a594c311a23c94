import { useState } from "react";
import { useParams } from "react-router";
import { useJob } from "../../domain/useJob";
import type { Kind, Said } from "../../domain/outbox";
import { useWrite } from "../../domain/useOutbox";

/** A job after its verdict, and what is entered into it. */
export function useRepair() {
  const { jobId = "" } = useParams();
  const job = useJob(jobId);
  const write = useWrite(jobId);
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState("");
  const enter = async <K extends Kind>(kind: K, body: Said<K>, id?: string): Promise<boolean> => {
    setBusy(true);
    try {
      await write(kind, body, id);
      setRefused("");
      return true;
    } catch (e) {
      setRefused((e as Error).message);
      void job.refetch();
      return false;
    } finally {
      setBusy(false);
    }
  };
  return { jobId, job, enter, busy, refused };
}

export type RepairPage = ReturnType<typeof useRepair>;
