import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../../domain/api";
import { useMay } from "../../domain/session";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/TextField";

/** The owner erases on request which vehicle it was and whose: said twice, since it cannot be taken back. */
export function EraseVehicle({ vehicleId }: { vehicleId: string }) {
  const may = useMay()("ERASE_DATA");
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState("");
  const erase = useMutation({
    mutationFn: () => api.eraseVehicle(vehicleId, why),
    onSuccess: async () => {
      setOpen(false);
      await queries.invalidateQueries();
    },
  });
  if (!may) return null;
  if (!open)
    return (
      <Button className="mt-4" onClick={() => setOpen(true)}>
        {say("eraseVehicle")}
      </Button>
    );
  return (
    <form
      className="mt-4 grid gap-3 border-2 border-danger p-3"
      onSubmit={(e) => {
        e.preventDefault();
        erase.mutate();
      }}
    >
      <p>{say("eraseVehicleWhy")}</p>
      <TextField
        label={say("eraseWhy")}
        required
        maxLength={400}
        value={why}
        onChange={(e) => setWhy(e.target.value)}
      />
      {erase.error && <p role="alert">{told(erase.error)}</p>}
      <div className="flex flex-wrap gap-3">
        <Button onClick={() => setOpen(false)}>{say("cancel")}</Button>
        <Button type="submit" filled disabled={erase.isPending || why.trim() === ""}>
          {say("eraseSure")}
        </Button>
      </div>
    </form>
  );
}
