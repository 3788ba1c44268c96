import { PageLink } from '@/ui/PageLink';

const LINK = /(https?:\/\/\S+)/;

/** The simulated mailbox of the demo: what a real mail server would have delivered. */
export function MailboxScreen({
  mails,
}: {
  mails: { at: string; to: string; subject: string; text: string }[];
}) {
  return (
    <main className="p-6 max-w-2xl">
      <p className="text-2xl font-bold mb-4">Undrel</p>
      <h1>Mailbox of the demo</h1>
      <p className="my-2">
        The demo sends no mail; what it would send is kept here until it stops.{' '}
        <PageLink href="/sign-in">Sign in</PageLink>
      </p>
      {mails.length === 0 && <p className="text-muted">Nothing has been sent yet.</p>}
      <ul>
        {mails.map((mail) => (
          <li key={mail.at + mail.to} className="border-t border-hair py-4">
            <h2>{mail.subject}</h2>
            <p className="text-sm text-muted">
              To {mail.to}, <span className="num">{mail.at.slice(0, 16).replace('T', ' ')}</span>
            </p>
            <p className="whitespace-pre-line break-words mt-2">
              {mail.text.split(LINK).map((part, i) =>
                i % 2 === 1 ? (
                  <a key={i} href={part}>
                    {part}
                  </a>
                ) : (
                  part
                ),
              )}
            </p>
          </li>
        ))}
      </ul>
    </main>
  );
}
