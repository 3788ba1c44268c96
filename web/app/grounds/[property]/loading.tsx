export default function Loading() {
  return (
    <p role="status" className="p-6 text-muted">
      Opening…
    </p>
  );
}
