import { useEffect, useState } from 'react';
import { picturePath } from '../../../parts/paths.js';

/** The size of a kept picture in pixels, once it is loaded; failed where it cannot be. */
export const usePictureSize = (
  hash: string | null,
): { size: { width: number; height: number } | null; failed: boolean } => {
  const [known, setKnown] = useState<{ hash: string; size: { width: number; height: number } | null } | null>(
    null,
  );
  useEffect(() => {
    if (hash === null) return;
    const image = new Image();
    image.onload = () => setKnown({ hash, size: { width: image.naturalWidth, height: image.naturalHeight } });
    image.onerror = () => setKnown({ hash, size: null });
    image.src = picturePath(hash);
    return () => {
      image.onload = image.onerror = null;
    };
  }, [hash]);
  const mine = known !== null && known.hash === hash ? known : null;
  return { size: mine?.size ?? null, failed: mine !== null && mine.size === null };
};
