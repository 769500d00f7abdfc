/** Whoever reads a comma before the decimals reads it everywhere. It is a matter of what is seen, not of the data: the
 * page's texts are spelled with it as they are drawn, and what is typed, sent, filed or signed keeps its own. */

/** A number with decimals: no part of a name, an address, a time or a version. */
const NUMBER = /(?<![\p{L}\d_/:]|\p{L}[-–]|\d[.,])(\d+)\.(\d+)(?!\d|[.,:/_-]\d)/gu;
const SPOKEN = ["aria-label", "title", "alt", "placeholder"] as const;
const AS_IT_IS = "script, style, textarea, [data-as-typed]";

/** A text as somebody reads it who reads a comma.
 *
 * "2.0312, limit 0.0010." becomes "2,0312, limit 0,0010."; "BP-0.010", "10.0.0.7" and "Rev2.1" stay. */
export const withComma = (text: string): string => text.replace(NUMBER, "$1,$2");

let watch: MutationObserver | null = null;

/** Spell the page with a comma from now on, or as it comes. */
export function spellWith(sign: "." | ","): void {
  watch?.disconnect();
  watch = null;
  if (sign === ".") return;
  watch = new MutationObserver((changes) => {
    for (const { target, addedNodes, type, attributeName } of changes) {
      if (type === "attributes" && attributeName) spellAttribute(target as Element, attributeName);
      else if (type === "characterData") spellText(target as Text);
      else addedNodes.forEach(spell);
    }
  });
  watch.observe(document.documentElement, {
    childList: true,
    subtree: true,
    characterData: true,
    attributeFilter: [...SPOKEN],
  });
  spell(document.body);
}

function spell(node: Node): void {
  if (node instanceof Text) {
    spellText(node);
    return;
  }
  if (!(node instanceof Element)) return;
  for (const one of [node, ...node.querySelectorAll(SPOKEN.map((name) => `[${name}]`).join())])
    for (const name of SPOKEN) spellAttribute(one, name);
  const texts = document.createTreeWalker(node, NodeFilter.SHOW_TEXT);
  while (texts.nextNode()) spellText(texts.currentNode as Text);
}

function spellText(text: Text): void {
  if (!text.data.includes(".") || text.parentElement?.closest(AS_IT_IS)) return;
  const spelled = withComma(text.data);
  if (spelled !== text.data) text.data = spelled;
}

function spellAttribute(element: Element, name: string): void {
  const said = element.getAttribute(name);
  if (!said?.includes(".") || element.closest("[data-as-typed]")) return;
  const spelled = withComma(said);
  if (spelled !== said) element.setAttribute(name, spelled);
}
