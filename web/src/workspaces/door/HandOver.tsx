import { useEffect, useState } from "react";
import { api } from "../../domain/api";
import type { SharedTablet } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Door, DoorRefused } from "./Door";
import { useSigningIn } from "./useSigningIn";

const DIGITS = ["1", "2", "3", "4", "5", "6", "7", "8", "9"];
const LEAST_PIN = 4;
const MOST_PIN = 8;

interface Props {
  tablet: SharedTablet;
  /** Somebody signs in by password instead. */
  onPassword: (name: string) => void;
}

/** Who takes the tablet over: a name, then a PIN on large keys. */
export function HandOver({ tablet, onPassword }: Props) {
  const [chosen, setChosen] = useState<SharedTablet["people"][number]>();
  if (chosen) return <Pin person={chosen} back={() => setChosen(undefined)} onPassword={onPassword} />;
  return (
    <Door title={say("whoTakesOver")}>
      <p className="text-soft">{say("tabletIs", { name: tablet.name })}</p>
      <div className="grid gap-3 sm:grid-cols-2">
        {tablet.people.map((person) => (
          <Button
            key={person.id}
            large
            onClick={() => (person.hasPin && !person.locked ? setChosen(person) : onPassword(person.name))}
          >
            {person.name}
            {!(person.hasPin && !person.locked) && (
              <span className="block text-base font-normal text-soft">
                {say(person.locked ? "pinLocked" : "pinNone")}
              </span>
            )}
          </Button>
        ))}
      </div>
    </Door>
  );
}

interface PinProps {
  person: SharedTablet["people"][number];
  back: () => void;
  onPassword: (name: string) => void;
}

function Pin({ person, back, onPassword }: PinProps) {
  const { attempt, busy, refused } = useSigningIn();
  const [pin, setPin] = useState("");
  const enter = async () => {
    if (pin.length >= LEAST_PIN && !(await attempt(() => api.handOver(person.id, pin)))) setPin("");
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (/^[0-9]$/.test(e.key)) setPin((now) => (now + e.key).slice(0, MOST_PIN));
      else if (e.key === "Backspace") setPin((now) => now.slice(0, -1));
      else if (e.key === "Enter" && !(e.target instanceof HTMLButtonElement)) void enter();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  return (
    <Door title={person.name}>
      <form
        className="grid gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void enter();
        }}
      >
        <p role="status" aria-label={say("pinDigits", { count: pin.length })} className="figures text-center text-4xl">
          {"●".repeat(pin.length) || "○○○○"}
        </p>
        <div className="grid grid-cols-3 gap-2">
          {DIGITS.map((digit) => (
            <Digit key={digit} digit={digit} onPress={() => setPin((now) => (now + digit).slice(0, MOST_PIN))} />
          ))}
          <Button large onClick={() => setPin((now) => now.slice(0, -1))} disabled={pin === ""}>
            {say("pinBack")}
          </Button>
          <Digit digit="0" onPress={() => setPin((now) => `${now}0`.slice(0, MOST_PIN))} />
          <Button type="submit" filled large disabled={busy || pin.length < LEAST_PIN}>
            {say("pinEnter")}
          </Button>
        </div>
        <DoorRefused message={refused} />
      </form>
      <div className="flex flex-wrap gap-3">
        <Button onClick={back}>{say("somebodyElse")}</Button>
        <Button onClick={() => onPassword(person.name)}>{say("signInByPassword")}</Button>
      </div>
    </Door>
  );
}

function Digit({ digit, onPress }: { digit: string; onPress: () => void }) {
  return (
    <Button large className="figures text-3xl" onClick={onPress}>
      {digit}
    </Button>
  );
}
