'use client';

import { Button } from 'react-bootstrap';
import { Search } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { later } from '@/ui/later';
import { SEARCH_FIELD, searchFor, type SearchProps } from './search';
import styles from './find.module.css';

const useList = later(() => import('./PlaceField'));

/** The field alone, until its list is here: what is typed meanwhile stays. */
const PlainField = ({ text, onText, onGo }: SearchProps) => (
  <form
    onSubmit={(event) => {
      event.preventDefault();
      onGo(searchFor(text));
    }}
  >
    <input
      {...SEARCH_FIELD}
      value={text}
      onChange={({ currentTarget }) => onText(currentTarget.value)}
    />
  </form>
);

/** To any job or vehicle by a few letters: Ctrl or ⌘ and K. */
export function Palette() {
  const dialog = useRef<HTMLDialogElement>(null);
  const router = useRouter();
  const [isOpen, setOpen] = useState(false);
  const [text, setText] = useState('');
  const list = useList();
  const open = (): void => {
    setText('');
    setOpen(true);
    dialog.current?.showModal();
  };
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      if (event.key.toLowerCase() !== 'k' || !(event.ctrlKey || event.metaKey)) return;
      event.preventDefault();
      if (!dialog.current?.open) open();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, []);
  const search = {
    ...{ text, onText: setText },
    onGo: (href: string): void => {
      dialog.current?.close();
      router.push(href);
    },
  };
  return (
    <>
      <Button
        type="button"
        variant="outline-secondary"
        className="d-none d-md-inline-block"
        onClick={open}
        title="Find (Ctrl K)"
      >
        <Search size={20} aria-hidden="true" />
        <span className="visually-hidden">Find a job or vehicle</span>
      </Button>
      <dialog
        ref={dialog}
        className={`zh-card ${styles.palette}`}
        aria-label="Go to a job"
        onClose={() => setOpen(false)}
      >
        {isOpen && (list ? <list.PlaceField {...search} /> : <PlainField {...search} />)}
      </dialog>
    </>
  );
}
