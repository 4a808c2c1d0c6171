'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { takeBack, type Hand } from '@/core/sheet';
import { useDocumentChange } from './useDocumentChange';

interface HandListProps {
  readonly projectId: string;
  readonly blockId: string;
  readonly hand: Hand;
}

/** What the teacher changed in the order, what it costs, and how to take each back. */
export function HandList({ projectId, blockId, hand }: HandListProps) {
  const change = useDocumentChange(projectId, blockId);
  return (
    <Box component="section" aria-label="Your changes to the order" className="no-print" sx={{ mt: 2 }}>
      <Typography variant="h3">Your changes to the order</Typography>
      <Typography sx={{ mb: 0.5 }}>{hand.says}</Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {hand.wishes.map((wish) => (
          <Box
            component="li"
            key={`${wish.wish}/${wish.index}`}
            sx={{
              display: 'flex',
              flexWrap: 'wrap',
              alignItems: 'center',
              gap: 1,
              borderTop: 1,
              borderColor: 'divider',
              py: 0.5,
            }}
          >
            <Typography sx={{ flexGrow: 1 }}>{wish.text}</Typography>
            {wish.idle && (
              <Alert severity="warning" variant="outlined" icon={false} sx={{ py: 0 }}>
                Not followed. {wish.idle}
              </Alert>
            )}
            <Button
              size="small"
              aria-label={`Take back: ${wish.text}`}
              onClick={() => void change('Taken back.', (document) => takeBack(document, wish))}
            >
              Take back
            </Button>
          </Box>
        ))}
      </Box>
      {hand.wishes.length > 1 && (
        <Button
          size="small"
          onClick={() => void change('All your changes are taken back.', (document) => takeBack(document))}
        >
          Take all back
        </Button>
      )}
    </Box>
  );
}
