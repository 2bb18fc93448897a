// How many statements the application's role ran, as PostgreSQL counts them itself (pg_stat_statements).
import { execFileSync } from 'node:child_process';

export class Statements {
  /** @param psql A command that runs SQL as somebody who may see what others ran, as words. */
  constructor(psql) {
    this.psql = psql;
  }

  ask(sql) {
    return execFileSync(this.psql[0], [...this.psql.slice(1), '-Atqc', sql], { encoding: 'utf8' }).trim();
  }

  /** Statements of a piece of work, but for the one that looks the sign-in up. Nothing else may run meanwhile. */
  async of(work) {
    this.ask('SELECT pg_stat_statements_reset()');
    await work();
    const all = this.ask(
      "SELECT coalesce(sum(calls), 0) FROM pg_stat_statements s JOIN pg_roles r ON r.oid = s.userid WHERE r.rolname = 'academy'",
    );
    return Number(all) - 1;
  }
}
