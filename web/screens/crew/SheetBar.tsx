import { PageLink } from '../../ui/PageLink';
import { PrintButton } from '../../ui/PrintButton';
import { TopBar } from '../shell/TopBar';

/** The bar of a crew sheet: the tree, which sheet it is, print, and the way back to the station it was made at. */
export const SheetBar = ({
  label,
  sheet,
  back,
}: {
  label: string;
  sheet: string;
  back: { href: string; label: string };
}) => (
  <TopBar
    right={
      <>
        <PrintButton />
        <PageLink href={back.href} className="plain min-h-[44px] inline-flex items-center">
          {back.label}
        </PageLink>
      </>
    }
  >
    <strong>{label}</strong> <span className="text-sm text-muted hidden sm:inline">{sheet}</span>
  </TopBar>
);
