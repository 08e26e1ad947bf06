'use client';

import { Button } from 'react-bootstrap';
import { Camera } from 'lucide-react';
import { useRef, useState, type ChangeEvent } from 'react';
import { useSend } from '@/ui/field';
import { sendPhoto, type PhotoPlace } from './photo';
import { takePhotoBack } from './writes';
import photosStyles from '@/ui/shell/photos.module.css';
import styles from './strip.module.css';

export interface StripPhoto {
  readonly id: string;
  readonly sha256: string;
  readonly width: number;
  readonly height: number;
}

/** Previews of photos; a tap shows one whole, and there it can be taken back. */
function Thumbs({
  photos,
  onBack,
}: {
  readonly photos: readonly StripPhoto[];
  readonly onBack: (id: string) => void;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [shown, setShown] = useState<StripPhoto | null>(null);
  return (
    <>
      {photos.map((photo, i) => (
        <button
          key={photo.id}
          type="button"
          className={photosStyles.thumb}
          onClick={() => {
            setShown(photo);
            dialog.current?.showModal();
          }}
        >
          {/* eslint-disable-next-line @next/next/no-img-element -- pictures come from the shop's own database, small already */}
          <img
            src={`/api/v1/photos/${photo.sha256}?size=thumb`}
            alt={`Photo ${i + 1}`}
            width={72}
            height={72}
            loading="lazy"
          />
        </button>
      ))}
      <dialog ref={dialog} className={`zh-card ${styles.photo}`} aria-label="Photo">
        {shown && (
          // eslint-disable-next-line @next/next/no-img-element -- as above
          <img
            src={`/api/v1/photos/${shown.sha256}`}
            alt=""
            width={shown.width}
            height={shown.height}
          />
        )}
        <form method="dialog" className="d-flex gap-2 mt-2">
          <Button type="submit" variant="primary">
            Close
          </Button>
          <Button variant="outline-secondary" onClick={() => shown && onBack(shown.id)}>
            Take this photo back
          </Button>
        </form>
      </dialog>
    </>
  );
}

interface PhotoStripProps extends PhotoPlace {
  /** What the photos show. */
  readonly of: string;
  readonly photos: readonly StripPhoto[];
}

/** The photos of a part or a corner, and the way to one more by camera or file. */
export function PhotoStrip({ of, photos, ...place }: PhotoStripProps) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [sending, setSending] = useState(0);
  const back = useSend(takePhotoBack);
  const file = useRef<HTMLInputElement>(null);
  const attach = async ({ target }: ChangeEvent<HTMLInputElement>): Promise<void> => {
    const files = [...(target.files ?? [])];
    setTrouble(null);
    setSending(files.length);
    target.value = '';
    for (const each of files) {
      const why = await sendPhoto(each, place);
      if (why) setTrouble(`${each.name}: ${why}`);
      setSending((left) => left - 1);
    }
  };
  return (
    <>
      <Thumbs photos={photos} onBack={(id) => back.send([place.jobId, id])} />
      <input
        ref={file}
        type="file"
        className="visually-hidden"
        aria-label={`Photos of ${of}`}
        accept="image/*"
        multiple
        tabIndex={-1}
        onChange={(event) => void attach(event)}
      />
      <Button
        type="button"
        variant="outline-secondary"
        disabled={sending > 0}
        onClick={() => file.current?.click()}
      >
        <Camera size={20} aria-hidden="true" /> {sending > 0 ? `Keeping ${sending} …` : 'Photo'}
      </Button>
      {(trouble ?? back.trouble) && (
        <p className="zh-error mb-0 w-100" role="alert">
          {trouble ?? back.trouble}
        </p>
      )}
    </>
  );
}
