import { Fragment } from 'react';
import { USUAL_READINGS, type LargeTree } from '../protocol/heavy';
import { KEEP_AWAY } from '../protocol/mayFall';
import { PageLink } from './PageLink';

/**
 * Names the trees that a list does not work out, each with the way to its own page, which does; first those of which it
 * was seen that they may fall.
 */
export function LargeTrees({ trees }: { trees: readonly LargeTree[] }) {
  if (trees.length === 0) return null;
  const falling = trees.filter((t) => t.mayFall !== undefined);
  return (
    <>
      {falling.length > 0 && (
        <p className="wrong my-2">
          <strong className="text-harm">
            <Links trees={falling} /> may fall.
          </strong>{' '}
          {KEEP_AWAY}
        </p>
      )}
      <p className="wrong no-print my-2">
        Not worked out here, since a dig of more than {USUAL_READINGS.toLocaleString('en')} readings would
        hold up the others: <Links trees={trees} />. Open {trees.length === 1 ? 'it' : 'each'} to see what is
        prescribed.
      </p>
    </>
  );
}

function Links({ trees }: { trees: readonly LargeTree[] }) {
  return trees.map(({ id, label }, i) => (
    <Fragment key={id}>
      {i > 0 && ', '}
      <PageLink className="inline-flex items-center min-h-[44px]" href={`/trees/${id}`}>
        {label}
      </PageLink>
    </Fragment>
  ));
}
