'use client';

import { Button } from 'react-bootstrap';
import { CloudUpload, TriangleAlert } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useKeeperState } from '@/ui/keeper';
import { later } from '@/ui/later';
import styles from './unsent.module.css';

// It is here before it is wanted: then the server may be away.
const useList = later(() => import('./UnsentList'));

/** What is on its way for less is not worth a word. */
const BLINK_MS = 1200;

/**
 * In the header of every page: how much is not on the server yet, and the way to it. It stands where the name
 * stands otherwise: it comes and goes, and moves nothing.
 */
export function UnsentBadge() {
  const { writes } = useKeeperState();
  const list = useList();
  const [isOpen, setOpen] = useState(false);
  const [isLong, setLong] = useState(false);
  const isUnsent = writes.length > 0;
  useEffect(() => {
    if (!isUnsent) return;
    const timer = setTimeout(() => setLong(true), BLINK_MS);
    return () => {
      clearTimeout(timer);
      setLong(false);
    };
  }, [isUnsent]);
  const refused = writes.filter(({ status }) => status.state !== 'waiting').length;
  if (!isUnsent || !(isLong || refused > 0)) {
    return <span className="visually-hidden" data-unsent={writes.length} />;
  }
  const Icon = refused > 0 ? TriangleAlert : CloudUpload;
  const many = refused > 0 ? refused : writes.length;
  const word = refused > 0 ? 'not taken' : 'unsent';
  const say = `${many} ${refused > 0 ? word : 'on this device only'}`;
  return (
    <>
      <Button
        type="button"
        variant="outline-secondary"
        className={styles.unsent}
        data-unsent={writes.length}
        data-refused={refused}
        title={say}
        onClick={() => setOpen(true)}
      >
        <Icon size={20} aria-hidden="true" />
        <span aria-hidden="true">
          <strong>{many}</strong> <span data-word>{word}</span>
        </span>
        <span className="visually-hidden" role="status">
          {say}
        </span>
      </Button>
      {list && <list.UnsentList isOpen={isOpen} onClose={() => setOpen(false)} />}
    </>
  );
}
