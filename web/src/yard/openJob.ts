import { useAddress } from '../shared/address';

/** The line that is open, by its job: in the address, so that it is open again after a form, a reload, or on the tree. */
export function useOpenJob(): [string, (id: string) => void] {
  const [params, put] = useAddress();
  return [params.get('job') ?? '', (id) => put({ job: id === '' ? undefined : id })];
}
