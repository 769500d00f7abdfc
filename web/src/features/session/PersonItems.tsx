import { DropdownMenu } from "radix-ui";
import { useState } from "react";
import { useNavigate } from "react-router";

import { useShownQueue } from "../../shared/queue";
import { switchTheme } from "../../shared/theme";
import { FormsDialog } from "./FormsDialog";
import { ChangePersonDialog, PasswordDialog, SignOutDialog } from "./PersonDialogs";
import type { MenuItem } from "./menuItem";
import { useMay, usePerson, useSessionChanges } from "./useSession";

const item = "flex min-h-11 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-tint";

/** The menu under a person's name, opened as it comes: it is fetched when it is first asked for. */
export default function PersonItems({ className, own }: { className: string; own: readonly MenuItem[] }) {
  const person = usePerson();
  const may = useMay();
  const go = useNavigate();
  const { signOut } = useSessionChanges();
  const [dialog, setDialog] = useState<"" | "person" | "password" | "forms" | "out">("");
  const waits = useShownQueue().records.some((one) => one.by === person.name);
  return (
    <>
      <DropdownMenu.Root defaultOpen>
        <DropdownMenu.Trigger className={className}>
          {person.name} <span aria-hidden="true">▾</span>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" className="z-10 min-w-56 border-2 border-ink bg-sheet py-1">
            {own.map(({ words, keys, onSelect }) => (
              <DropdownMenu.Item key={words} className={`${item} justify-between gap-4`} onSelect={onSelect}>
                {words} <kbd className="figure text-sm text-quiet">{keys}</kbd>
              </DropdownMenu.Item>
            ))}
            {own.length > 0 && <DropdownMenu.Separator className="my-1 h-px bg-line" />}
            <DropdownMenu.Item className={item} onSelect={() => setDialog("person")}>
              Change person
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => setDialog("password")}>
              Change password
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => setDialog("forms")}>
              Sizes, dates, times
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={switchTheme}>
              Light or dark
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
            {may("keep accounts") && (
              <DropdownMenu.Item className={item} onSelect={() => void go("/people")}>
                Accounts
              </DropdownMenu.Item>
            )}
            <DropdownMenu.Item
              className={item}
              onSelect={() => (waits ? setDialog("out") : signOut.mutate())}
            >
              Sign out
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <ChangePersonDialog
        open={dialog === "person"}
        onOpenChange={(open) => setDialog(open ? "person" : "")}
      />
      <PasswordDialog
        open={dialog === "password"}
        onOpenChange={(open) => setDialog(open ? "password" : "")}
      />
      {dialog === "forms" && <FormsDialog onClose={() => setDialog("")} />}
      <SignOutDialog open={dialog === "out"} onOpenChange={(open) => setDialog(open ? "out" : "")} />
    </>
  );
}
