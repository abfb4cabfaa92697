import type { Transaction } from 'sequelize';
import { ContainerDraw, FluidMovedRow } from '../db/models';

/** Take back what was recorded, because the bleed goes on: it is recorded anew when it is through. What was handed over stays. */
export async function takeBackFluidUsed(jobId: string, transaction: Transaction): Promise<void> {
  const gone = await FluidMovedRow.destroy({
    where: { jobId, handOverId: null },
    transaction,
  });
  if (gone > 0) await ContainerDraw.destroy({ where: { jobId }, transaction });
}
