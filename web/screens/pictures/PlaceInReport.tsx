/** At which place a picture goes into the report, in the corner of it. */
export const PlaceInReport = ({ place }: { place: number | undefined }) => (
  <span className="absolute right-[2px] top-[2px] bg-paper px-1 text-sm pointer-events-none">
    {place === undefined ? (
      <span className="text-muted">not in the report</span>
    ) : (
      <>
        <span className="sr-only">in the report: </span>
        <span className="num font-bold">{place}</span>
      </>
    )}
  </span>
);
