import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api } from "../../domain/api";
import type { SetExercise } from "../../domain/types";

export const usePracticePage = () => useQuery({ queryKey: ["practice"], queryFn: api.practice });

export const useExercise = (id: string) =>
  useQuery({ queryKey: ["exercise", id], queryFn: () => api.exercise(id), enabled: id !== "", staleTime: 0 });

/** Sets an exercise for whoever is signed in and goes to its intake; for others only sets it. */
export function useSet() {
  const queries = useQueryClient();
  const go = useNavigate();
  return useMutation({
    mutationFn: (asked: Omit<SetExercise, "exerciseId">) =>
      api.setExercise({ exerciseId: crypto.randomUUID(), ...asked }),
    onSuccess: (set, asked) => {
      void queries.invalidateQueries({ queryKey: ["practice"] });
      const [first] = set;
      if (first && asked.personIds === undefined) void go(`/intake?exercise=${first.id}`);
    },
  });
}
