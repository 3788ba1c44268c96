import { PageLink } from '@/ui/PageLink';
import { TopBar } from './TopBar';

/** A page that cannot be made now, with the reason and a way back. */
export function NotNow({ title, problem, back }: { title: string; problem: string; back: string }) {
  return (
    <div className="min-h-dvh">
      <TopBar>
        <strong>{title}</strong>
      </TopBar>
      <main className="p-6 max-w-xl">
        <h1>{title} cannot be shown</h1>
        <p className="wrong my-3" role="alert">
          {problem}
        </p>
        <PageLink className="quiet" href={back}>
          Back
        </PageLink>
      </main>
    </div>
  );
}
