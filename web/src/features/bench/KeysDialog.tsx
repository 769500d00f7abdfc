import { Dialog, KeyList } from "../../shared/ui";

const KEYS = [
  ["2.0416 Enter", "lands a reading and moves on"],
  ["416 Enter", "the last digits are enough"],
  ["−3 Enter", "three thou below the largest new size; in metric, hundredths of a millimetre"],
  ["51.86 mm Enter", "another unit, said with it; also thou, tenths, µm"],
  ["Backspace on empty", "takes the last reading back"],
  ["Alt+Z", "takes back the last thing you did on this job; Alt+Shift+Z brings it again"],
  ["Paste", "a row or a column lands spot by spot, after one look"],
  ["F2", "takes what a reading was meant to be, or the first answer to a question; F8 the second"],
  ["F4", "keeps what was read; types again what a question is about. Digits never answer"],
  ["F6", "how warm the part and the gauge are"],
  ["← →", "spot before, spot after"],
  ["+3 Enter", "with a bore or snap gauge: three thou from what it is set on, as its dial shows"],
  ["↑ ↓", "part before, part after"],
  ["F9", "the next station; Alt+1, Alt+2 go straight to one"],
  ["Alt+C", "what is typed replaces the reading of this spot, as a correction"],
  ["Alt+S", "eye and nail find nothing on this part: says so of what nobody has looked at yet"],
  ["Alt+G", "to the gauge"],
  ["Alt+U", "show sizes in the other unit"],
  ["Alt+K", "this list"],
] as const;

export function KeysDialog({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys">
      <KeyList keys={KEYS} />
    </Dialog>
  );
}
