export { PersonMenu } from "./PersonMenu";
export { SignInPage } from "./SignInPage";
export { SignInAgain } from "./PersonDialogs";
export { type Act, useMay, usePerson, useSession, useSessionChanges, useSessionOverTabs } from "./useSession";
