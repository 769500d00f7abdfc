/** Something that can be done from the menu of the person, beside what belongs to the shop. */
export interface MenuItem {
  words: string;
  keys: string;
  onSelect: () => void;
}
