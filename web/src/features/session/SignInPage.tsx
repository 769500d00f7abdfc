import { SaidNotice, useServerForm } from "../../shared/forms";
import { OfOthers, useShownQueue } from "../../shared/queue";
import { Button, Field, Graduations } from "../../shared/ui";
import { useTitle } from "../../shared/useTitle";
import { type Session, useSessionChanges } from "./useSession";

export function SignInPage({ session }: { session: Session }) {
  const { signIn } = useSessionChanges();
  const { field, said, submit, submitWith } = useServerForm({ name: "", password: "" }, (given) =>
    signIn.mutateAsync(given),
  );
  const waiting = useShownQueue().records.filter((one) => one.state !== "recalled");
  useTitle("Sign in");
  return (
    <main className="flex min-h-screen items-center justify-center p-6">
      <div className="w-full max-w-md">
        <h1 className="text-5xl font-semibold">Half Thou</h1>
        <Graduations width={240} />
        <p className="mb-8 mt-3 text-lg text-quiet">Reuse, regrind, fit undersize, replace.</p>
        <div className="mb-4">
          <OfOthers records={waiting} />
        </div>
        <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
          <Field label="Name" autoComplete="username" autoFocus {...field("name")} />
          <Field label="Password" type="password" autoComplete="current-password" {...field("password")} />
          <SaidNotice said={said} />
          <Button kind="strong" type="submit" disabled={signIn.isPending}>
            Sign in
          </Button>
        </form>
        {session.demo && (
          <div className="mt-8 border-t border-line pt-4">
            <p className="mb-2 font-semibold">This is the demo shop. Sign in as one of these:</p>
            <p className="mb-2 text-quiet">
              Whoever can open this page can sign in. Enter nothing here that is not meant for everybody.
            </p>
            <ul className="flex flex-col gap-2">
              {session.hints.map((hint) => (
                <li key={hint.name}>
                  <Button
                    className="w-full !justify-between"
                    onClick={() => void submitWith(() => ({ name: hint.name, password: hint.password }))()}
                  >
                    <span>{hint.name}</span>
                    <span className="figure text-sm font-normal text-quiet">{hint.password}</span>
                  </Button>
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
    </main>
  );
}
