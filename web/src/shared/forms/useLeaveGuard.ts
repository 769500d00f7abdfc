import { useEffect } from "react";
import { useBlocker } from "react-router";

const WORDS = "What you typed here is not kept yet. Leave it?";

/** Ask before typed work is left: a page inside the app, a reload, a closed tab. */
export function useLeaveGuard(typed: boolean): void {
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => typed && currentLocation.pathname !== nextLocation.pathname,
  );
  useEffect(() => {
    if (blocker.state !== "blocked") return;
    if (window.confirm(WORDS)) blocker.proceed();
    else blocker.reset();
  }, [blocker]);
  useEffect(() => {
    if (!typed) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [typed]);
}
