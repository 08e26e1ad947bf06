import type { Metadata } from 'next';
import { CORNERS } from '@/core/readings';

/** The title of a page of one corner: the page and the corner; the job's layout adds the plate. */
export const cornerTitle =
  (name: string) =>
  async ({ params }: { params: Promise<{ corner: string }> }): Promise<Metadata> => {
    const { corner } = await params;
    return { title: CORNERS.some((each) => each === corner) ? `${name} ${corner}` : name };
  };
