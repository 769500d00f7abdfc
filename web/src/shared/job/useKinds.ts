import { useQuery } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";

export type Kind = Schemas["KindOut"];
export type FeatureKind = Schemas["FeatureOut"];

/** The kinds of part there are: what is measured and seen of them, and what a limits sheet asks. */
export function useKinds(): readonly Kind[] {
  const kinds = useQuery({
    queryKey: ["kinds"],
    queryFn: () => ask(client.GET("/api/kinds")),
    staleTime: Infinity,
  });
  return kinds.data ?? [];
}

/** What a set is called, by the kind that decides it. */
export const setName = (kinds: readonly Kind[], set: string): string =>
  kinds.map((kind) => kind.sets[set]).find(Boolean) ?? set;

/** What a plane and an angle of a feature are called: by name where they have one. */
export function placeWords(feature: FeatureKind | undefined, planes: number): Words {
  const names = feature && feature.plane_names.length === planes ? feature.plane_names : [];
  return {
    plane: (plane) => names[plane - 1] ?? String(plane),
    angle: (letter, degrees) => feature?.angle_names[degrees] ?? letter,
    named: names.length > 0,
  };
}

export interface Words {
  plane: (plane: number) => string;
  angle: (letter: string, degrees: number) => string;
  named: boolean;
}
