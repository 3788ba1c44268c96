/** A link that is shown only now, ready to be copied. */
export const ShownOnce = ({ label, link }: { label: string; link: string }) => (
  <label className="block">
    <span className="block text-sm">{label}</span>
    <input className="w-full num text-sm" readOnly value={link} data-whole="" />
  </label>
);
