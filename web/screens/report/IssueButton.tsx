'use client';

import { AlertDialog } from 'radix-ui';

/** Issues the report, once it was asked whether that is meant. */
export function IssueButton({ busy, issue }: { busy: boolean; issue: () => void }) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger className="act min-w-[7rem]" disabled={busy}>
        {busy ? 'Issuing…' : 'Issue'}
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 bg-ink/40 z-40" />
        <AlertDialog.Content className="fixed z-50 left-1/2 top-1/4 -translate-x-1/2 w-[26rem] max-w-[calc(100vw-24px)] bg-sheet border-2 border-ink p-5">
          <AlertDialog.Title className="font-bold text-lg">Issue this report?</AlertDialog.Title>
          <AlertDialog.Description className="my-2">
            It gets a number and cannot be changed afterwards. A later correction is a new report.
          </AlertDialog.Description>
          <div className="flex gap-2 mt-3">
            <AlertDialog.Action className="act" onClick={issue}>
              Issue now
            </AlertDialog.Action>
            <AlertDialog.Cancel className="quiet">Not yet</AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
