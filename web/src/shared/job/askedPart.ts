import { useLocation, useNavigate } from "react-router";

interface Asked {
  part: string;
  /** Each time it is asked anew the bench goes there anew. */
  at: number;
}

/** The part that another page sends one to the bench for; null where it was come to otherwise. */
export function useAskedPart(): Asked | null {
  const state: unknown = useLocation().state;
  return isAsked(state) ? state : null;
}

/** Go to the bench with a part in hand. */
export function useToBench(jobId: number): (part: string) => void {
  const navigate = useNavigate();
  return (part) => {
    const state: Asked = { part, at: Date.now() };
    void navigate(`/jobs/${jobId}?part=${encodeURIComponent(part)}`, { state });
  };
}

const isAsked = (state: unknown): state is Asked =>
  typeof state === "object" &&
  state !== null &&
  "part" in state &&
  typeof state.part === "string" &&
  "at" in state;
