import { useQuery } from "@tanstack/react-query";
import { api } from "../../domain/api";
import { known, say } from "../../domain/words";
import { Failed, Loading } from "../../ui/States";
import { TopStrip } from "../../ui/TopStrip";

const AGAIN_MS = 10_000;
const time = (at: string) => new Date(at).toLocaleString();

/** What is wrong with the server, in words: what was looked at, and the last backup. */
export function ServerView() {
  const server = useQuery({ queryKey: ["server"], queryFn: api.server, refetchInterval: AGAIN_MS });
  if (server.isPending) return <Loading />;
  if (server.isError) return <Failed error={server.error} again={() => void server.refetch()} />;
  const { instance, upSince, checks, backups, backupTriedAt, backupMessage } = server.data;
  const backupWrong = backups.state === "FAILED" || backups.state === "OVERDUE";
  const wrong = checks.filter((check) => !check.sound).length + (backupWrong ? 1 : 0);
  return (
    <>
      <TopStrip title={say("server")} />
      <main className="mx-auto max-w-4xl p-4 md:p-8">
        <p role="status" className="mb-5 text-2xl font-semibold">
          {wrong === 0 ? say("serverSound") : say("serverWrong", { count: wrong })}
        </p>
        <ul className="border-t-2 border-ink">
          {checks.map((check) => (
            <li key={check.name} className="border-b-2 border-ink bg-panel p-3">
              <p className={check.sound ? "font-semibold" : "font-semibold text-danger"}>
                {say(check.sound ? "serverIsSound" : "serverIsNot", {
                  what: known(`server.${check.name}`),
                })}
              </p>
              <p className="figures text-soft">{check.found}</p>
            </li>
          ))}
          <li className="border-b-2 border-ink bg-panel p-3">
            <p className={backupWrong ? "font-semibold text-danger" : "font-semibold"}>
              {say(`backup.${backups.state}`)}
            </p>
            {backupTriedAt !== undefined && (
              <p className="figures text-soft">{say("backupTried", { at: time(backupTriedAt) })}</p>
            )}
            {backups.lastGoodAt !== undefined && (
              <p className="figures text-soft">{say("backupGood", { at: time(backups.lastGoodAt) })}</p>
            )}
            {backupMessage !== undefined && <p className="break-all">{backupMessage}</p>}
          </li>
        </ul>
        <p className="figures mt-4 text-soft">{say("serverUp", { instance, at: time(upSince) })}</p>
        <a href="/api/metrics" className="mt-2 inline-grid min-h-11 content-center underline underline-offset-4">
          {say("serverMetrics")}
        </a>
      </main>
    </>
  );
}
