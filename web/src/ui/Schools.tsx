import { useSettings } from "../domain/settings";
import { Choice } from "./Choice";

interface Props {
  /** Ids of the schools that are shown. */
  schools: string[];
  /** The way of a school; left out, the usual one. */
  ways: Record<string, string>;
  onWay: (school: string, way: string) => void;
}

/** Schools, each with its ways and what the chosen one is good for. */
export function Schools({ schools, ways, onWay }: Props) {
  const { catalogue, word } = useSettings();
  return (
    <div className="grid gap-5">
      {catalogue.schools
        .filter((school) => schools.includes(school.id))
        .map((school) => {
          const way = ways[school.id] ?? school.ways[0] ?? "";
          return (
            <div key={school.id} className="grid gap-1">
              <p className="font-semibold">{word(`school.${school.id}`)}</p>
              <Choice
                label={word(`school.${school.id}`)}
                value={way}
                onChange={(chosen) => onWay(school.id, chosen)}
                options={school.ways.map((one) => ({ value: one, text: word(`school.${school.id}.${one}`) }))}
              />
              <p className="text-soft">{word(`school.${school.id}.${way}.good`)}</p>
            </div>
          );
        })}
    </div>
  );
}
