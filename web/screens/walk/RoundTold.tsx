/** One line on what is kept and what was refused, in a place of its own: what is said there moves no answer. */
export function RoundTold(props: {
  problem: string | undefined;
  onSeen: () => void;
  waiting: number;
  away: 'signed out' | 'not kept' | undefined;
  onTry: () => void;
}) {
  const { problem, waiting, away } = props;
  const trees = `${waiting} ${waiting === 1 ? 'tree' : 'trees'}`;
  return (
    <div className="h-[40px] px-4 flex items-center gap-3 border-b border-hair bg-sheet text-sm leading-tight">
      {problem ? (
        <>
          <p role="alert" className="flex-1 min-w-0 line-clamp-2 text-harm" title={problem}>
            {problem}
          </p>
          <button type="button" className="link shrink-0" onClick={props.onSeen}>
            Seen
          </button>
        </>
      ) : waiting > 0 ? (
        <>
          <p role="status" className="flex-1 min-w-0 line-clamp-2">
            {away === 'not kept'
              ? `This phone takes no more: ${trees} noted in this page alone. Leave it open until they are sent.`
              : away === 'signed out'
                ? `Signed out: ${trees} kept on this phone and sent when you are back.`
                : `${trees} kept on this phone and sent when the server is reached.`}
          </p>
          {away === 'signed out' ? (
            <a className="link shrink-0 inline-flex items-center" href="/sign-in">
              Sign in
            </a>
          ) : (
            <button type="button" className="link shrink-0" onClick={props.onTry}>
              Try now
            </button>
          )}
        </>
      ) : (
        <p className="text-muted">All that was noted is sent.</p>
      )}
    </div>
  );
}
