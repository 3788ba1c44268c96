'use client';

import { Slider as Radix } from 'radix-ui';

/** A value on a scale, by touch, pointer or arrow keys. */
export const Slider = (props: {
  label: string;
  /** The value in words, for who does not see the scale. */
  says?: string;
  min: number;
  max: number;
  value: number;
  disabled?: boolean;
  onChange: (value: number) => void;
}) => (
  <Radix.Root
    className="relative flex items-center w-full min-h-[44px] touch-none select-none"
    min={props.min}
    max={props.max}
    step={1}
    value={[props.value]}
    disabled={props.disabled}
    onValueChange={([value]) => value !== undefined && props.onChange(value)}
  >
    <Radix.Track className="relative h-1.5 grow bg-hair border border-ink">
      <Radix.Range className="absolute h-full bg-ink" />
    </Radix.Track>
    <Radix.Thumb
      aria-label={props.label}
      aria-valuetext={props.says}
      className="block w-6 h-6 bg-sheet border-2 border-ink rounded-full"
    />
  </Radix.Root>
);
