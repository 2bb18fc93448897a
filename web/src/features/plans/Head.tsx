import type { Plan } from './benchState';
import { ConstraintFields, type ConstraintProps } from './ConstraintFields';
import { Words } from './Words';

interface Props extends Omit<ConstraintProps, 'constraints' | 'onChange'> {
  plan: Plan;
  onWrite: (text: Partial<Plan>) => void;
}

/** The words of a plan and what it has to fit into. */
export function Head({ plan, onWrite, ...rest }: Props) {
  return (
    <>
      <Words plan={plan} onWrite={onWrite} errorAt={rest.errorAt} />
      <ConstraintFields constraints={plan.constraints} onChange={(constraints) => onWrite({ constraints })} {...rest} />
    </>
  );
}
