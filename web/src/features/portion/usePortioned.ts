import { useMemo } from 'react';
import { useBatchKitchen } from '../batches/useBatches';
import { useCook } from '../cook/useCook';
import { useKitchen } from '../kitchen/useKitchen';
import { portioned } from './portioned';

/** A batch with its boxes worked out, and the way to say what is done with them; `trouble` where that cannot be. */
export function usePortioned(batchId: string) {
  const { batch, opened, say, waiting, refused, trouble } = useCook(batchId);
  const here = useKitchen();
  const kitchen = useBatchKitchen(here, opened);
  const found = useMemo(
    () => (batch && kitchen && opened ? portioned(batch, opened.siblings, kitchen) : undefined),
    [batch, kitchen, opened],
  );
  const why = trouble ?? (found && !found.ok ? found.because : undefined);
  return { found: found?.ok ? found.made : undefined, kitchen, say, waiting, refused, trouble: why };
}
