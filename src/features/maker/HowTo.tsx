'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { LETTER_RULE } from '@/core/shapes';

const INK = 'var(--mui-palette-text-primary)';
const THREAD = 'var(--mui-palette-error-main)';
const CLOTH = 'var(--mui-palette-primary-main)';
const PAPER = '#fffdf7';

/** Signs of the drawings, each with what it means. */
const SIGNS: readonly (readonly [string, React.ReactNode])[] = [
  ['Begin with a new thread here.', <circle key="1" cx={20} cy={12} r={6} fill={THREAD} />],
  ['The thread of the seam before goes on here.', <circle key="2" cx={20} cy={12} r={6} fill={PAPER} stroke={THREAD} strokeWidth={2.5} />],
  ['Sew along here, the way the arrow points.', <path key="3" d="M2 12H30M38 12L28 7V17Z" stroke={THREAD} strokeWidth={3} strokeDasharray="7 4" fill={THREAD} />],
  ['Knot here.', <circle key="4" cx={20} cy={12} r={4} fill={PAPER} stroke={THREAD} strokeWidth={2} />],
  ['A bend: fold the papers and knot.', <path key="5" d="M20 2L30 12L20 22L10 12Z" fill="none" stroke="var(--mui-palette-warning-main)" strokeWidth={2.5} />],
  ['The needle slides hidden through a fold.', <path key="6" d="M2 12H38" stroke={THREAD} strokeWidth={3} strokeDasharray="1 6" strokeLinecap="round" />],
  ['Fold this side first, then 2, 3 …', <g key="7"><rect x={11} y={2} width={18} height={20} fill="#24527a" /><text x={20} y={17} fontSize={14} textAnchor="middle" fill="#fff">1</text></g>],
  ['This side stays raw: it is covered later.', <path key="8" d="M2 12H38" stroke={INK} strokeWidth={3} strokeDasharray="2 4" />],
  ['This paper is out.', <path key="9" d="M8 4H32V20H8Z" fill="none" stroke={INK} strokeDasharray="2 3" />],
]; // prettier-ignore

/** What is done with the hands, each with a drawing for the right hand; left-handed makers see its mirror image. */
const WAYS: readonly { readonly title: string; readonly words: string; readonly drawing: React.ReactNode }[] = [
  {
    title: 'Wrap a paper',
    words: `Cloth wrong side up, paper on it: ${LETTER_RULE}. Fold the sides over in the order of their numbers, each tight to the paper, and slip the last one under the first.`,
    drawing: <><path d="M15 12H105V78H15Z" fill={CLOTH} opacity={0.35} /><path d="M30 25H90V65H30Z" fill={PAPER} stroke={INK} /><path d="M30 25L15 12H105L90 25Z" fill={CLOTH} opacity={0.7} /><text x={60} y={21} fontSize={10} textAnchor="middle">1</text><text x={98} y={48} fontSize={10}>2</text><text x={60} y={75} fontSize={10} textAnchor="middle">3</text></>,
  },
  {
    title: 'A sharp corner',
    words: 'Fold the first side, then the next over it. The tail that sticks out is neither cut nor folded: it lies across the side folded first, and all tails turn one way.',
    drawing: <><path d="M10 78L60 10L110 78Z" fill={PAPER} stroke={INK} /><path d="M60 10L110 78L96 78L56 22Z" fill={CLOTH} opacity={0.7} /><path d="M60 10L44 4L56 22Z" fill="var(--mui-palette-warning-main)" /></>,
  },
  {
    title: 'A curve',
    words: 'Where it bows out, lay small even pleats, all one way. Where it bows in, clip the cloth, not quite to the paper, so that it opens.',
    drawing: <><path d="M15 75A45 45 0 0 1 105 75" fill={PAPER} stroke={INK} /><path d="M24 52l-9 -6M38 37l-6 -10M60 31v-12M82 37l6 -10M96 52l9 -6" stroke="var(--mui-palette-warning-main)" strokeWidth={2} /></>,
  },
  {
    title: 'Whip stitch',
    words: 'Right sides together, edges even. The needle takes two or three threads of each fold, never the paper, and goes over the edge to the next stitch.',
    drawing: <><path d="M10 40H110V70H10Z" fill={CLOTH} opacity={0.35} stroke={INK} /><path d="M15 44l6 -10M27 44l6 -10M39 44l6 -10M51 44l6 -10" stroke={THREAD} strokeWidth={2.5} /><path d="M60 44L100 18" stroke={INK} strokeWidth={2} /></>,
  },
  {
    title: 'Knot',
    words: 'Take one more small stitch, put the needle through its loop, and pull it down to the cloth. A break then costs one seam, not the row.',
    drawing: <><path d="M10 50H110V75H10Z" fill={CLOTH} opacity={0.35} stroke={INK} /><path d="M45 52C25 20 75 10 72 38S50 50 62 52" fill="none" stroke={THREAD} strokeWidth={2.5} /></>,
  },
  {
    title: 'Slide',
    words: 'Push the needle into the fold where the seam ended, along inside the fold without coming through, and out where the next seam begins. Pull gently: the cloth must not pucker.',
    drawing: <><path d="M10 25H110V65H10Z" fill={CLOTH} opacity={0.35} stroke={INK} /><circle cx={22} cy={25} r={4} fill={THREAD} /><path d="M22 25H98" stroke={THREAD} strokeWidth={2.5} strokeDasharray="1 6" strokeLinecap="round" /><path d="M98 25L114 12" stroke={INK} strokeWidth={2} /></>,
  },
  {
    title: 'Fold a paper at a bend',
    words: 'Where the seam turns, fold the smaller paper from the bend through its middle, so that the next two edges lie together. Knot at the bend, turn, sew on; then crease it flat again.',
    drawing: <><path d="M10 70L60 40L60 10" fill="none" stroke={THREAD} strokeWidth={2.5} strokeDasharray="7 4" /><path d="M60 40L112 70V20Z" fill={PAPER} stroke={INK} /><path d="M60 40L112 45" stroke="var(--mui-palette-warning-main)" strokeWidth={2} strokeDasharray="2 4" /></>,
  },
  {
    title: 'Take a paper out',
    words: 'When every side of it is sewn: press with a dry iron if you like, let it cool, loosen the basting, lift one edge with a blunt tool and draw the paper out. Iron: mind your fingers and follow the product labels.',
    drawing: <><path d="M10 20H110V75H10Z" fill={CLOTH} opacity={0.35} stroke={INK} /><path d="M40 8L92 22L80 62L28 48Z" fill={PAPER} stroke={INK} strokeDasharray="2 3" /></>,
  },
]; // prettier-ignore

/** For first-timers: the signs of the drawings, and each thing that the hands do, drawn for either hand. */
export default function HowTo({ isLeftHanded }: { readonly isLeftHanded: boolean }) {
  return (
    <Box component="section" aria-label="Signs and how to">
      <Typography variant="h3" component="h2">
        Signs
      </Typography>
      <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: '48px 1fr', gap: 1, alignItems: 'center', m: 0 }}>
        {SIGNS.map(([says, sign]) => (
          <Box key={says} sx={{ display: 'contents' }}>
            <Box component="dt" sx={{ m: 0 }}>
              <svg width={40} height={24} viewBox="0 0 40 24" aria-hidden="true">
                {sign}
              </svg>
            </Box>
            <Box component="dd" sx={{ m: 0 }}>
              {says}
            </Box>
          </Box>
        ))}
      </Box>
      <Typography variant="h3" component="h2" sx={{ mt: 2 }}>
        How to
      </Typography>
      {WAYS.map(({ title, words, drawing }) => (
        <Box component="details" key={title} sx={{ borderTop: 1, borderColor: 'divider', '& summary': { minHeight: 44, pt: 1, fontWeight: 600, cursor: 'pointer' } }}>
          <summary>{title}</summary>
          <svg width={120} height={86} viewBox="0 0 120 86" role="img" aria-label={`${title}, drawn for the ${isLeftHanded ? 'left' : 'right'} hand`}>
            <g transform={isLeftHanded ? 'matrix(-1 0 0 1 120 0)' : undefined}>{drawing}</g>
          </svg>
          <Typography sx={{ mb: 1 }}>{words}</Typography>
        </Box>
      ))}
    </Box>
  );
} // prettier-ignore
