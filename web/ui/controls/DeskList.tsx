'use client';

import { useState } from 'react';
import { CheckIcon } from 'lucide-react';
import { Select } from 'radix-ui';

export interface PickProps<K extends string = string> {
  options: readonly { key: K; label: string }[];
  value: K | undefined;
  onChange: (value: K | undefined) => void;
  /** Where nothing may be chosen: what that means. */
  empty?: string;
  disabled?: boolean;
  className?: string;
  id?: string;
  /** Of the field, where a form is sent as it stands. */
  name?: string;
  'aria-label'?: string;
  'aria-labelledby'?: string;
}

/** A value of the list itself may not be empty: this stands for none. */
const NONE = '\u2205';

/** One of a list on the desk. */
export function DeskList(props: PickProps) {
  const { options, value, onChange, empty, disabled, className = '', name, ...trigger } = props;
  const [open, setOpen] = useState(false);
  const all = [...(empty === undefined ? [] : [{ key: NONE, label: empty }]), ...options];
  const chosen = value || NONE;
  // As wide as its longest choice, whichever is chosen.
  const widest = all.reduce((w, { label }) => (label.length > w.length ? label : w), '');
  return (
    <>
      {name !== undefined && <input type="hidden" name={name} value={value ?? ''} disabled={disabled} />}
      <Select.Root
        value={chosen}
        disabled={disabled}
        open={open}
        onOpenChange={setOpen}
        onValueChange={(key) => onChange(key === NONE ? undefined : key)}
      >
        <Select.Trigger {...trigger} data-widest={widest} className={`picked ${className}`}>
          <span>
            <Select.Value>{all.find((o) => o.key === chosen)?.label}</Select.Value>
          </span>
        </Select.Trigger>
        {/* Tables hold hundreds of these: what a list holds is made when it is opened. */}
        {open && (
          <Select.Portal>
            <Select.Content
              position="popper"
              sideOffset={2}
              collisionPadding={8}
              // It gives the focus back a moment after it closed, but not to take it from where somebody went meanwhile.
              onCloseAutoFocus={(event) => {
                if (document.activeElement !== document.body) event.preventDefault();
              }}
              className="z-50 bg-sheet text-ink border-2 border-ink min-w-[var(--radix-select-trigger-width)] max-w-[calc(100vw-16px)] max-h-[var(--radix-select-content-available-height)] overflow-hidden"
            >
              <Select.Viewport className="py-1">
                {all.map(({ key, label }) => (
                  <Select.Item
                    key={key}
                    value={key}
                    data-key={key === NONE ? '' : key}
                    className="min-h-[40px] pl-9 pr-4 py-1 relative flex items-center cursor-pointer outline-none data-[highlighted]:bg-wash data-[highlighted]:outline-2 data-[highlighted]:-outline-offset-2 data-[highlighted]:outline-todo"
                  >
                    <Select.ItemIndicator className="absolute left-2.5">
                      <CheckIcon size={18} aria-hidden />
                    </Select.ItemIndicator>
                    <Select.ItemText>{label}</Select.ItemText>
                  </Select.Item>
                ))}
              </Select.Viewport>
            </Select.Content>
          </Select.Portal>
        )}
      </Select.Root>
    </>
  );
}
