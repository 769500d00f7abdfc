import { LinkButton, Page } from "../shared/ui";

export function NotFound() {
  return (
    <Page title="There is no such page">
      <LinkButton to="/" kind="strong">
        To the rack
      </LinkButton>
    </Page>
  );
}
