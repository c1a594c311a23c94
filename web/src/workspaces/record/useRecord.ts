import { keepPreviousData, useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useSearchParams } from "react-router";
import { api } from "../../domain/api";
import { addressOf, askedBy, type Asked } from "./state";

const SETTLE_MS = 250;

/** The record: what is looked for stands in the address, so that it can be kept and sent on. */
export function useRecord() {
  const [params, setParams] = useSearchParams();
  const asked = askedBy(params);
  const address = addressOf(asked);
  const [text, setText] = useState(asked.search ?? "");
  const change = (part: Asked) => setParams(addressOf({ ...asked, ...part }), { replace: true });
  useEffect(() => setText(asked.search ?? ""), [asked.search]);
  useEffect(() => {
    if (text.trim() === (asked.search ?? "")) return;
    const timer = setTimeout(() => change({ search: text.trim() }), SETTLE_MS);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a search begins when typing rests
  }, [text]);
  const pages = useInfiniteQuery({
    queryKey: ["record", address],
    queryFn: ({ pageParam }) => api.record(asked, pageParam === "" ? undefined : pageParam),
    initialPageParam: "",
    getNextPageParam: (last) => last.next,
    placeholderData: keepPreviousData,
  });
  return { asked, address, text, setText, change, show: (query: string) => setParams(query), pages };
}

/** Searches that whoever is signed in keeps under a name. */
export function useFilters() {
  const queries = useQueryClient();
  const taken = { onSuccess: (now: { name: string; query: string }[]) => queries.setQueryData(["filters"], now) };
  return {
    kept: useQuery({ queryKey: ["filters"], queryFn: api.filters }),
    keep: useMutation({
      mutationFn: (f: { name: string; query: string }) => api.keepFilter(f.name, f.query),
      ...taken,
    }),
    drop: useMutation({ mutationFn: (name: string) => api.dropFilter(name), ...taken }),
  };
}
