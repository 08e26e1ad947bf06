import { Here } from '@/app/Here';
import type { Metadata } from 'next';
import { CauseBook } from '@/features/knowledge/CauseBook';
import { KnowledgeBook } from '@/features/knowledge/KnowledgeBook';
import { shopKnowledge } from '@/server/nose/nose';
import { shopReach } from '@/server/records/reach';
import { SeenMark } from '@/ui/keeper';

export const metadata: Metadata = { title: 'Knowledge' };

export default async function KnowledgePage() {
  const [shop, known] = await Promise.all([shopReach(), shopKnowledge()]);
  return (
    <>
      <SeenMark reach={{ shop }} />
      <h1>Knowledge</h1>
      <Here />
      <p>
        What the nose weighs by. A shop may change shares, minutes and weights; the maker’s service
        information and a licensed technician’s judgement come first.
      </p>
      <CauseBook knowledge={known.knowledge} />
      <KnowledgeBook shop={known} />
    </>
  );
}
