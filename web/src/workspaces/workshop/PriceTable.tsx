import { useMay } from "../../domain/session";
import { useMutation } from "@tanstack/react-query";
import { api, told } from "../../domain/api";
import type { Workshop } from "../../domain/types";
import { say } from "../../domain/words";
import { FileButton } from "../../ui/FileButton";

/** The price table out and in, as comma-separated values. */
export function PriceTable({ workshop, onKept }: { workshop: Workshop; onKept: (now: Workshop) => void }) {
  const may = useMay();
  const taking = useMutation({
    mutationFn: async (file: File) => api.tellPrices(workshop.version, await file.text()),
    onSuccess: onKept,
  });
  return (
    <div className="mt-3 flex flex-wrap items-center gap-4">
      <a
        href="/api/workshop/prices.csv"
        download
        className="inline-grid min-h-11 content-center underline underline-offset-4"
      >
        {say("pricesOut")}
      </a>
      {may("TELL_WORKSHOP") && (
        <FileButton
          label={say(taking.isPending ? "loading" : "pricesIn")}
          accept="text/csv,.csv"
          disabled={taking.isPending}
          onFile={(file) => taking.mutate(file)}
        />
      )}
      {taking.isError && (
        <p role="alert" className="basis-full border-2 border-danger p-2">
          {told(taking.error)}
        </p>
      )}
    </div>
  );
}
