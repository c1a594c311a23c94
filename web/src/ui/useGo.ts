import { useEffect, useRef } from "react";
import { useNavigate } from "react-router";

/** Goes on to another page at the end of something that takes a while, unless whoever began it has gone elsewhere meanwhile. */
export function useGo() {
  const go = useNavigate();
  const here = useRef(false);
  useEffect(() => {
    here.current = true;
    return () => void (here.current = false);
  }, []);
  return (path: string) => {
    if (here.current) void go(path);
  };
}
