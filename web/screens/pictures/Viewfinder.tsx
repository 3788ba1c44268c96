'use client';

import { Slider } from '../../ui/controls/Slider';
import { Dialog } from 'radix-ui';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { pictureUrl } from '../../protocol/pictureUrl';
import { sideOf } from '../../protocol/pictureWords';
import { Said } from '../../ui/Said';

/** The quality that a frame is kept at. */
const QUALITY = 0.92;

const WHY: Record<string, string> = {
  NotAllowedError:
    'The camera may not be used: allow it for this page in the browser, or add pictures from files.',
  NotFoundError: 'This device has no camera. Add pictures from files.',
  NotReadableError: 'The camera is in use by another program. Close it, or add pictures from files.',
};

/** The camera of the device while a side is photographed; undefined until it runs. */
function useCamera(video: React.RefObject<HTMLVideoElement | null>) {
  const [problem, setProblem] = useState<string>();
  const [running, setRunning] = useState(false);
  useEffect(() => {
    let stream: MediaStream | undefined;
    let here = true;
    const begin = async () => {
      if (!navigator.mediaDevices?.getUserMedia)
        return setProblem('This browser gives no camera to pages here. Add pictures from files.');
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          video: { facingMode: 'environment', width: { ideal: 4096 }, height: { ideal: 3072 } },
        });
        if (!here || !video.current) return stream.getTracks().forEach((t) => t.stop());
        video.current.srcObject = stream;
        await video.current.play();
        setRunning(true);
      } catch (error) {
        const { name = '', message = '' } = error as Partial<DOMException>;
        if (here) setProblem(WHY[name] ?? `The camera does not start: ${message}`);
      }
    };
    void begin();
    return () => {
      here = false;
      stream?.getTracks().forEach((t) => t.stop());
    };
  }, [video]);
  return { problem, running };
}

/**
 * The camera held to one side of the stem after the other, with the picture of the visit before over it, so that both are
 * taken from one spot. The button stays where it is: eight sides by one thumb.
 */
export function Viewfinder({
  sides,
  before,
  onTake,
  onClose,
}: {
  /** Bearings that lack a picture, clockwise. */
  sides: readonly number[];
  /** The hash of an earlier picture from a side. */
  before: (bearing: number) => string | undefined;
  onTake: (file: File, bearing: number) => void;
  onClose: () => void;
}) {
  const video = useRef<HTMLVideoElement>(null);
  const { problem, running } = useCamera(video);
  const [todo, setTodo] = useState<readonly number[]>(sides);
  const [strength, setStrength] = useState(40);
  const [taking, setTaking] = useState(false);
  const bearing = todo[0];
  const ghost = bearing === undefined ? undefined : before(bearing);
  const take = () => {
    const { videoWidth: width, videoHeight: height } = video.current!;
    if (bearing === undefined || taking || width === 0) return;
    setTaking(true);
    const canvas = Object.assign(document.createElement('canvas'), { width, height });
    canvas.getContext('2d')!.drawImage(video.current!, 0, 0);
    canvas.toBlob(
      (blob) => {
        setTaking(false);
        if (!blob) return;
        onTake(
          new File([blob], `from ${sideOf(bearing)}.jpg`, { type: 'image/jpeg', lastModified: Date.now() }),
          bearing,
        );
        const left = todo.slice(1);
        setTodo(left);
        if (left.length === 0) onClose();
      },
      'image/jpeg',
      QUALITY,
    );
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          className="fixed inset-0 z-50 bg-ink text-paper flex flex-col"
          aria-describedby={undefined}
        >
          <div className="flex items-center justify-between gap-3 px-4 min-h-[56px]">
            <Dialog.Title className="font-bold text-xl">
              {bearing === undefined ? 'All sides taken' : `From ${sideOf(bearing)}`}
            </Dialog.Title>
            <span className="num">{todo.length} to take</span>
            <Dialog.Close className="min-h-[44px] px-4 border border-paper">Close</Dialog.Close>
          </div>
          <Seen video={video} ghost={ghost} bearing={bearing} strength={strength} />
          <div className="px-4 pb-4 space-y-2">
            <Said
              lines={2}
              problem={problem}
              told={
                ghost
                  ? 'Bring the stem and the roots over those of the picture before.'
                  : 'Stand on that side, the whole collar in view.'
              }
            />
            <GhostStrength ghost={ghost} strength={strength} setStrength={setStrength} />
            <Shutter
              todo={todo}
              setTodo={setTodo}
              running={running}
              taking={taking}
              bearing={bearing}
              take={take}
            />
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Seen({
  video,
  ghost,
  bearing,
  strength,
}: {
  video: RefObject<HTMLVideoElement | null>;
  ghost: string | undefined;
  bearing: number | undefined;
  strength: number;
}) {
  return (
    <div className="relative flex-1 min-h-0">
      <video ref={video} className="absolute inset-0 w-full h-full object-contain" muted playsInline />
      {ghost && (
        <svg
          role="img"
          aria-label={`The picture from ${sideOf(bearing!)} of the visit before`}
          className="absolute inset-0 w-full h-full"
          style={{ opacity: strength / 100 }}
        >
          <image href={pictureUrl(ghost, 'page')} width="100%" height="100%" />
        </svg>
      )}
    </div>
  );
}

function GhostStrength({
  ghost,
  strength,
  setStrength,
}: {
  ghost: string | undefined;
  strength: number;
  setStrength: (next: number) => void;
}) {
  return (
    <div className={ghost ? '' : 'invisible'}>
      <span className="text-sm">Strength of the picture before</span>
      <Slider
        label="Strength of the picture before"
        min={0}
        max={80}
        value={strength}
        disabled={!ghost}
        onChange={setStrength}
      />
    </div>
  );
}

function Shutter({
  todo,
  setTodo,
  running,
  taking,
  bearing,
  take,
}: {
  todo: readonly number[];
  setTodo: (next: readonly number[]) => void;
  running: boolean;
  taking: boolean;
  bearing: number | undefined;
  take: () => void;
}) {
  return (
    <div className="grid grid-cols-[1fr_2fr] gap-3">
      <button
        type="button"
        className="min-h-[64px] border border-paper"
        disabled={todo.length < 2}
        onClick={() => setTodo([...todo.slice(1), todo[0]!])}
      >
        Later
      </button>
      <button
        type="button"
        className="min-h-[64px] bg-paper text-ink font-bold text-lg disabled:opacity-50"
        disabled={!running || taking || bearing === undefined}
        onClick={take}
      >
        Take it
      </button>
    </div>
  );
}
