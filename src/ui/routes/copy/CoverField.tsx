// The picture on the cover of the ebook, in the particulars: chosen as a file, told in words, taken out.
import { useContext, useEffect, useRef, useState } from 'react';
import type { PictureFacts } from '../../../core/model/copy/streams';
import { keepPicture } from '../../../state/arrival/incomingThunks';
import { setParticulars } from '../../../state/book/bookThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { TextField } from '../../components/TextField';
import { PictureCacheContext } from '../../pageView/pageCacheContext';
import { choosePicture } from './galley/pictureBox';

/** Pixels along the longer side that shops ask for, at the least. */
const FOR_SHOPS = 1600;

export function CoverField() {
  const dispatch = useAppDispatch();
  const cover = useAppSelector((state) => state.book.book!.particulars.cover);
  const [problem, setProblem] = useState<string | null>(null);
  const button = useRef<HTMLButtonElement>(null);
  const set = (to: PictureFacts | undefined, name: string) => setProblem(dispatch(setParticulars('cover', to, name)));
  const take = async (file: File) => {
    const picture = await dispatch(keepPicture(file.name, new Uint8Array(await file.arrayBuffer()))).catch(() => null);
    if (picture === null)
      return setProblem(`${file.name} is no picture that can be shown, or there is no room for it.`);
    set({ ...picture, alt: cover?.alt ?? '' }, 'Cover');
  };
  return (
    <>
      <div className="grid grid-cols-[132px_minmax(0,1fr)] items-start gap-x-3">
        <span className="pt-1 text-right" id="cover-label">
          Cover
        </span>
        <div className="flex items-start gap-3" role="group" aria-labelledby="cover-label">
          {cover !== undefined && <Thumbnail cover={cover} />}
          <div className="min-w-0 space-y-1.5">
            <p className="truncate pt-1">{cover === undefined ? 'No picture' : cover.name}</p>
            <p className="text-[12px] text-quiet">{cover === undefined ? NO_COVER : sizeInWords(cover)}</p>
            <div className="flex gap-2">
              <button
                ref={button}
                type="button"
                className="btn btn-xs"
                onClick={() => choosePicture((file) => void take(file))}
              >
                Choose a picture
              </button>
              {cover !== undefined && (
                <button
                  type="button"
                  className="btn btn-xs"
                  onClick={() => {
                    set(undefined, 'Cover taken out');
                    button.current?.focus();
                  }}
                >
                  Take it out
                </button>
              )}
            </div>
            {problem !== null && (
              <p role="alert" className="text-[12px] text-error">
                {problem}
              </p>
            )}
          </div>
        </div>
      </div>
      {cover !== undefined && (
        <TextField
          label="What it shows"
          hint="For readers who do not see it."
          maxLength={4000}
          value={cover.alt}
          onChange={(alt) => set({ ...cover, alt }, 'Words of the cover')}
        />
      )}
    </>
  );
}

const NO_COVER = 'The ebook gets one drawn from title and names, or none: that is chosen in Send out.';

function sizeInWords({ width, height }: PictureFacts): string {
  if (width === 0) return 'A drawing without a size in pixels.';
  const size = `${width} × ${height} pixels`;
  if (Math.max(width, height) < FOR_SHOPS) return `${size}: shops ask for ${FOR_SHOPS} along the longer side.`;
  return height > width ? size : `${size}: wider than high, and a cover is not.`;
}

function Thumbnail({ cover: { asset, format, alt } }: { readonly cover: PictureFacts }) {
  const pictures = useContext(PictureCacheContext);
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void pictures?.address(asset, format).then((found) => isCurrent && setAddress(found));
    return () => {
      isCurrent = false;
    };
  }, [pictures, asset, format]);
  return address === null ? (
    <span className="flex h-24 w-16 items-center justify-center border border-hairline text-center text-[11px] text-quiet">
      not here
    </span>
  ) : (
    <img src={address} alt={alt || 'The cover'} className="h-24 w-16 shrink-0 border border-hairline object-contain" />
  );
}
