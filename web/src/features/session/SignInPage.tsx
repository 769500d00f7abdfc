import { type SyntheticEvent, useState } from "react";

import { Button, Faults, Field, Graduations } from "../../shared/ui";
import { type Session, useSessionChanges } from "./useSession";

export function SignInPage({ session }: { session: Session }) {
  const { signIn } = useSessionChanges();
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    signIn.mutate({ name, password });
  };
  return (
    <main className="flex min-h-screen items-center justify-center p-6">
      <div className="w-full max-w-md">
        <h1 className="text-5xl font-semibold">Half Thou</h1>
        <Graduations width={240} />
        <p className="mb-8 mt-3 text-lg text-quiet">Reuse, regrind, fit undersize, replace.</p>
        <form onSubmit={submit} className="flex flex-col gap-4">
          <Field
            label="Name"
            value={name}
            onChange={(e) => setName(e.target.value)}
            autoComplete="username"
            autoFocus
          />
          <Field
            label="Password"
            type="password"
            value={password}
            onChange={(e) => setPassword(e.target.value)}
            autoComplete="current-password"
          />
          <Faults error={signIn.error} />
          <Button kind="strong" type="submit" disabled={signIn.isPending}>
            Sign in
          </Button>
        </form>
        {session.demo && (
          <div className="mt-8 border-t border-line pt-4">
            <p className="mb-2 font-semibold">This is the demo shop. Sign in as one of these:</p>
            <ul className="flex flex-col gap-2">
              {session.hints.map((hint) => (
                <li key={hint.name}>
                  <Button
                    className="w-full !justify-between"
                    onClick={() => signIn.mutate({ name: hint.name, password: hint.password })}
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
