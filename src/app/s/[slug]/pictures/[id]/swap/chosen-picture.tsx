import type { FocalPoint } from '@/core/swap/crop';
import { FocalPicture } from '@/ui/focal-picture';
import { Link } from '@/ui/link';

interface ChosenPictureProps {
  src: string;
  focal: FocalPoint;
  onMove: (focal: FocalPoint) => void;
  /** Where it is cropped and corrected. */
  correctAt: string;
}

/** The picture that was chosen to be put in, with what must stay of it. */
export function ChosenPicture({ src, focal, onMove, correctAt }: ChosenPictureProps) {
  return (
    <div>
      <FocalPicture focal={focal} onMove={onMove}>
        <img src={src} alt="" className="block max-h-36 max-w-full" />
      </FocalPicture>
      <p className="mt-1">
        <Link className="font-semibold text-green" href={correctAt}>
          Crop and correct it
        </Link>
      </p>
    </div>
  );
}
