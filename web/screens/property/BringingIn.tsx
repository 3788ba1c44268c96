import { megabytes } from '../../device/megabytes';
import { Notice } from '../../ui/Notice';

/** A file on its way in, and what stops it. */
export const BringingIn = ({ file, onStop }: { file: File; onStop: () => void }) => (
  <Notice label="Bringing in" closes="Stop" onClose={onStop}>
    <p>
      Bringing in {file.name}, {megabytes(file.size)} …
    </p>
    <progress className="w-full h-3 accent-todo mt-2" aria-label={`Bringing in ${file.name}`} />
  </Notice>
);
