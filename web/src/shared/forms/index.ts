export { SaidNotice } from "./SaidNotice";
export { useLeaveGuard } from "./useLeaveGuard";
export { inWords, type Said, useServerForm } from "./useServerForm";
