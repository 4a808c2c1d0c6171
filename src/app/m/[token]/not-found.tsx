import { Notice } from '@/ui/Notice';

export default function LinkNotFound() {
  return (
    <Notice title="This personal link does not work">
      It may be mistyped, or your host gave you a new one. Ask your host for the present link; what you
      recorded is kept.
    </Notice>
  );
}
