/** What later trades and owners are told. Common practice, no source; the makers' own instructions go before. */
import type { NoticeRule, NoticeTo } from '../../plan/notices.ts';
import { tradeTexts } from './air.ts';
import { asSentence } from './grammar.ts';
import { list, withoutSide } from './piece-names.ts';

export const noticeToText = (to: NoticeTo): string =>
  to === 'owner' ? 'Owner, and whoever cleans or paints' : tradeTexts[to].name;

export const noticeRuleTexts: Readonly<Record<NoticeRule, string>> = {
  'do-not-cut':
    'Do not cut, slit or pull off. Whoever must go through tells us first, and closes it the same day.',
  'seal-what-passes': 'Whatever passes it gets a sleeve, sealed on the day by whoever drills.',
  'sill-drains': 'Water leaves here, at the sill. Never caulk, paint shut or cover the gap under the unit.',
  'cap-open': 'Leave the gap above the cap open. No sealant between cladding and cap.',
  'no-nails-in-pan':
    'No nail, screw or staple through the sill: the pan under it is one piece and must stay whole.',
  'no-more-foam': 'No more foam in this joint: it bows the frame, and closes what must drain.',
  'shims-stay': 'These carry the unit. Never pull them out or trim them loose.',
  'cover-by': 'Lies open to weather and sun, and may do so for its maker’s time only. Cover it by',
};

/** What a notice is about, pieces of several sides told once. */
export const noticeThingsText = (things: readonly string[]): string =>
  asSentence(list([...new Set(things.map(withoutSide))]));
