/** What to say of a day (ISO 8601) on which a vehicle is looked at again, as seen now. */
export function dueOn(day: string, now: Date): "recheckOn" | "recheckToday" | "recheckLate" {
  const today = [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((n) => String(n).padStart(2, "0")).join("-");
  if (day === today) return "recheckToday";
  return day < today ? "recheckLate" : "recheckOn";
}
