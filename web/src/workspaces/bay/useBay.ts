import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api } from "../../domain/api";

const SETTLE_MS = 200;

export type Which = "open" | "released-conditionally" | "closed";

/** The lines of the bay: which, what is searched for, and more on demand. */
export function useBay() {
  const [which, setWhich] = useState<Which>("open");
  const [text, setText] = useState("");
  const [search, setSearch] = useState("");
  useEffect(() => {
    const timer = setTimeout(() => setSearch(text.trim()), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [text]);
  const jobs = useInfiniteQuery({
    queryKey: ["jobs", which, search],
    queryFn: ({ pageParam }) => api.jobs({ stage: which, search, ...(pageParam === "" ? {} : { after: pageParam }) }),
    initialPageParam: "",
    getNextPageParam: (last) => last.next,
    placeholderData: keepPreviousData,
    refetchInterval: (query) =>
      query.state.data?.pages.some((page) => page.jobs.some((job) => !job.lead?.current)) ? 3_000 : false,
  });
  return { jobs, which, setWhich, text, setText, search };
}
