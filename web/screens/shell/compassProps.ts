export interface CompassProps {
  /** Which north the bearing is wanted from. */
  north: 'true' | 'magnetic';
  onTake: (bearing: number) => void;
  onClose: () => void;
}
