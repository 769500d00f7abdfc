import { Link } from "react-router";

import { Graduations } from "./ui";

/** The name, which leads to the rack. */
export function Name() {
  return (
    <Link to="/" aria-label="Half Thou, to the rack" className="block text-xl font-semibold leading-tight">
      Half Thou
      <Graduations width={90} />
    </Link>
  );
}
