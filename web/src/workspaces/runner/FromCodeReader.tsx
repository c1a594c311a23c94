import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../domain/api";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { ChooseInstrument } from "./ChooseInstrument";
import type { Code } from "./state";
import { useInstrument } from "./useInstrument";

const CODE_READER = "code-reader";

/** What a code reader of the workshop has found, taken as it says it. */
export function FromCodeReader({ onCodes }: { onCodes: (codes: Code[]) => void }) {
  const instruments = useQuery({ queryKey: ["instruments"], queryFn: api.instruments, retry: false });
  const [id, setId] = useState<string>();
  const { lines, failed } = useInstrument(id);
  const readers = (instruments.data?.registered ?? []).filter((one) => one.kind === CODE_READER);
  if (readers.length === 0) return null;
  const codes = lines[lines.length - 1]?.codes;
  return (
    <div className="mb-6">
      <ChooseInstrument label={say("codesFrom")} instruments={readers} id={id} onChoose={setId} failed={failed}>
        {codes !== undefined && (
          <>
            <p role="status">
              {codes.length === 0 ? say("codesFoundNone") : say("codesFound", { count: codes.length })}
            </p>
            {codes.length > 0 && (
              <Button large onClick={() => onCodes(codes)}>
                {say("codesTake")}
              </Button>
            )}
          </>
        )}
      </ChooseInstrument>
    </div>
  );
}
