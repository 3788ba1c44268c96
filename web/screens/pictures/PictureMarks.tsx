import { MOST_PICTURE_MARKS, type PictureMark } from '@undrel/core/records';
import { MARK_WORDS } from '../../protocol/pictureWords';

const KINDS = Object.keys(MARK_WORDS) as PictureMark['kind'][];

/** Which mark is drawn over a picture, and the words at those that are. */
export function PictureMarks({
  kind,
  marks,
  disabled,
  onKind,
  onMarks,
}: {
  kind: PictureMark['kind'] | undefined;
  marks: readonly PictureMark[];
  disabled: boolean;
  onKind: (kind: PictureMark['kind'] | undefined) => void;
  onMarks: (marks: PictureMark[]) => void;
}) {
  return (
    <>
      <div role="group" aria-label="Mark with" className="flex flex-wrap gap-2">
        {KINDS.map((key) => (
          <button
            key={key}
            type="button"
            className={kind === key ? 'act' : 'quiet'}
            aria-pressed={kind === key}
            disabled={disabled || marks.length >= MOST_PICTURE_MARKS}
            onClick={() => onKind(kind === key ? undefined : key)}
          >
            {MARK_WORDS[key]}
          </button>
        ))}
      </div>
      <p className="text-sm text-muted min-h-[2.8rem]">
        {marks.length >= MOST_PICTURE_MARKS
          ? `${MOST_PICTURE_MARKS} marks; no more are allowed. Take one off first.`
          : kind
            ? 'Draw it over the picture: from where it begins to where it points.'
            : 'Marks lie over the picture and can be taken off; the picture stays as it is.'}
      </p>
      <ul>
        {marks.map((mark, i) => (
          <li key={i} className="flex gap-2 items-center border-b border-hair py-1">
            <label className="flex-1">
              <span className="sr-only">
                Words at {MARK_WORDS[mark.kind]} {i + 1}
              </span>
              <input
                className="w-full"
                maxLength={60}
                disabled={disabled}
                placeholder={`${MARK_WORDS[mark.kind]} ${i + 1}: words`}
                value={mark.text ?? ''}
                onChange={({ target }) =>
                  onMarks(
                    marks.map((m, k) => {
                      if (k !== i) return m;
                      const { text: _, ...rest } = m;
                      return target.value ? { ...rest, text: target.value } : rest;
                    }),
                  )
                }
              />
            </label>
            <button
              type="button"
              className="link min-h-[44px]"
              disabled={disabled}
              aria-label={`Take off ${MARK_WORDS[mark.kind]} ${i + 1}`}
              onClick={() => onMarks(marks.filter((_, k) => k !== i))}
            >
              Take off
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
