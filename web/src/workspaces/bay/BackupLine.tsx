import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api } from "../../domain/api";
import { useMay } from "../../domain/session";
import { say } from "../../domain/words";

const AGAIN_MS = 600_000;

/** In the bay where a backup failed or stays away, so that somebody notices before it is needed. */
export function BackupLine() {
  const may = useMay();
  const backups = useQuery({ queryKey: ["backups"], queryFn: api.backups, refetchInterval: AGAIN_MS, retry: false });
  const state = backups.data?.state;
  if (state !== "FAILED" && state !== "OVERDUE") return null;
  const good = backups.data?.lastGoodAt;
  return (
    <p role="alert" className="mb-4 border-2 border-danger bg-panel p-3 font-semibold">
      {say(`backup.${state}`)}{" "}
      <span className="figures font-normal">
        {good === undefined ? say("backupNever") : say("backupGood", { at: new Date(good).toLocaleString() })}
      </span>{" "}
      {may("LOOK_AFTER_SERVER") && (
        <Link to="/server" className="underline underline-offset-4">
          {say("server")}
        </Link>
      )}
    </p>
  );
}
