import { expect, it } from "vitest";

import openapi from "../../api/openapi.json";
import shapes from "./shapes.json";

it("draws a different shape for every mark the server can strike, and none besides", () => {
  expect(Object.keys(shapes).sort()).toEqual([...openapi.components.schemas.MarkCode.enum].sort());
  expect(new Set(Object.values(shapes)).size).toBe(Object.keys(shapes).length);
});
