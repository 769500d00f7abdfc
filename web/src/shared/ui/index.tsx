export { Button, LinkButton, PrintButton } from "./Button";
export { Chip } from "./Chip";
export { Dialog } from "./Dialog";
export { Choice, Field, Pick, TextArea } from "./Field";
export { Faults, Notice } from "./Notice";
export { Page, Section } from "./Page";
export { Graduations } from "./Graduations";
export { Roving } from "./Roving";
export { KeyList } from "./KeyList";
