export { PersonMenu } from "./PersonMenu";
export { SignInPage } from "./SignInPage";
export { type Act, useMay, usePerson, useSession, useSessionChanges } from "./useSession";
