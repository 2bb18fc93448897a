using System;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql.EntityFrameworkCore.PostgreSQL.Metadata;

#nullable disable

namespace MorningRound.Server.Storage.Migrations
{
    /// <inheritdoc />
    public partial class Initial : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "academies",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    time_zone = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    practice_years = table.Column<int>(type: "integer", nullable: true),
                    security_log_days = table.Column<int>(type: "integer", nullable: false),
                    demo_day = table.Column<DateOnly>(type: "date", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_academies", x => x.id);
                });

            migrationBuilder.CreateTable(
                name: "data_protection_keys",
                columns: table => new
                {
                    id = table.Column<int>(type: "integer", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityByDefaultColumn),
                    friendly_name = table.Column<string>(type: "text", nullable: true),
                    xml = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_data_protection_keys", x => x.id);
                });

            migrationBuilder.CreateTable(
                name: "security_events",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    academy_id = table.Column<Guid>(type: "uuid", nullable: true),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    kind = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    actor_id = table.Column<Guid>(type: "uuid", nullable: true),
                    account_id = table.Column<Guid>(type: "uuid", nullable: true),
                    student_id = table.Column<Guid>(type: "uuid", nullable: true),
                    address = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_security_events", x => x.id);
                });

            migrationBuilder.CreateTable(
                name: "sign_in_tries",
                columns: table => new
                {
                    key = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    count = table.Column<int>(type: "integer", nullable: false),
                    since = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_sign_in_tries", x => x.key);
                });

            migrationBuilder.CreateTable(
                name: "courses",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_courses", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_courses_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "drills",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    area = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false),
                    updated_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    removed_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_drills", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_drills_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "places",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_places", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_places_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "plans",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    title = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false),
                    listing = table.Column<string>(type: "jsonb", nullable: false),
                    purpose = table.Column<string>(type: "character varying(400)", maxLength: 400, nullable: false),
                    areas = table.Column<string[]>(type: "text[]", nullable: false),
                    minutes = table.Column<int>(type: "integer", nullable: false),
                    kind = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    updated_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    removed_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_plans", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_plans_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "programmes",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    weeks = table.Column<int>(type: "integer", nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false),
                    goal_drill_id = table.Column<Guid>(type: "uuid", nullable: true),
                    goal_measure = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    removed_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_programmes", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_programmes_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "reminder_rounds",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    day = table.Column<DateOnly>(type: "date", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_reminder_rounds", x => new { x.academy_id, x.kind, x.day });
                    table.ForeignKey(
                        name: "fk_reminder_rounds_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "squads",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_squads", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_squads_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "test_days",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    every_weeks = table.Column<int>(type: "integer", nullable: false),
                    first_day = table.Column<DateOnly>(type: "date", nullable: false),
                    students = table.Column<Guid[]>(type: "uuid[]", nullable: false),
                    removed_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_test_days", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_test_days_plans_academy_id_id",
                        columns: x => new { x.academy_id, x.id },
                        principalTable: "plans",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "account_claims",
                columns: table => new
                {
                    id = table.Column<int>(type: "integer", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityByDefaultColumn),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    claim_type = table.Column<string>(type: "text", nullable: true),
                    claim_value = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_account_claims", x => x.id);
                });

            migrationBuilder.CreateTable(
                name: "account_logins",
                columns: table => new
                {
                    login_provider = table.Column<string>(type: "character varying(128)", maxLength: 128, nullable: false),
                    provider_key = table.Column<string>(type: "character varying(128)", maxLength: 128, nullable: false),
                    provider_display_name = table.Column<string>(type: "text", nullable: true),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_account_logins", x => new { x.login_provider, x.provider_key });
                });

            migrationBuilder.CreateTable(
                name: "account_passkeys",
                columns: table => new
                {
                    credential_id = table.Column<byte[]>(type: "bytea", maxLength: 1024, nullable: false),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    data = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_account_passkeys", x => x.credential_id);
                });

            migrationBuilder.CreateTable(
                name: "account_tokens",
                columns: table => new
                {
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    login_provider = table.Column<string>(type: "character varying(128)", maxLength: 128, nullable: false),
                    name = table.Column<string>(type: "character varying(128)", maxLength: 128, nullable: false),
                    value = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_account_tokens", x => new { x.user_id, x.login_provider, x.name });
                });

            migrationBuilder.CreateTable(
                name: "accounts",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    role = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    state = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    name = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: true),
                    user_name = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    normalized_user_name = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    email = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    normalized_email = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    email_confirmed = table.Column<bool>(type: "boolean", nullable: false),
                    password_hash = table.Column<string>(type: "text", nullable: true),
                    security_stamp = table.Column<string>(type: "text", nullable: true),
                    concurrency_stamp = table.Column<string>(type: "text", nullable: true),
                    phone_number = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    phone_number_confirmed = table.Column<bool>(type: "boolean", nullable: false),
                    two_factor_enabled = table.Column<bool>(type: "boolean", nullable: false),
                    lockout_end = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    lockout_enabled = table.Column<bool>(type: "boolean", nullable: false),
                    access_failed_count = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_accounts", x => x.id);
                    table.ForeignKey(
                        name: "fk_accounts_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "calendar_feeds",
                columns: table => new
                {
                    account_id = table.Column<Guid>(type: "uuid", nullable: false),
                    token_hash = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    created_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_calendar_feeds", x => x.account_id);
                    table.ForeignKey(
                        name: "fk_calendar_feeds_accounts_account_id",
                        column: x => x.account_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "mails",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    account_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    about = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    subject = table.Column<string>(type: "text", nullable: false),
                    body = table.Column<string>(type: "text", nullable: false),
                    made_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    state = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    claimed_until = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    attempts = table.Column<int>(type: "integer", nullable: false),
                    sent_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_mails", x => x.id);
                    table.ForeignKey(
                        name: "fk_mails_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_mails_accounts_account_id",
                        column: x => x.account_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "reminder_choices",
                columns: table => new
                {
                    account_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    is_on = table.Column<bool>(type: "boolean", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_reminder_choices", x => new { x.account_id, x.kind });
                    table.ForeignKey(
                        name: "fk_reminder_choices_accounts_account_id",
                        column: x => x.account_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "sign_ins",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    account_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    seen_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    device = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    address = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    ended_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_sign_ins", x => x.id);
                    table.ForeignKey(
                        name: "fk_sign_ins_accounts_account_id",
                        column: x => x.account_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "students",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    hand = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    level = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    coach_id = table.Column<Guid>(type: "uuid", nullable: false),
                    coach_note = table.Column<string>(type: "text", nullable: false),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_students", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_students_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_students_accounts_coach_id",
                        column: x => x.coach_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "assignments",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    plan_id = table.Column<Guid>(type: "uuid", nullable: true),
                    monday = table.Column<DateOnly>(type: "date", nullable: false),
                    day = table.Column<DateOnly>(type: "date", nullable: true),
                    requirement = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    order = table.Column<int>(type: "integer", nullable: true),
                    plan_version = table.Column<int>(type: "integer", nullable: true),
                    has_own_text = table.Column<bool>(type: "boolean", nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false),
                    published_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    changed_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    taken_out_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    excuse = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: true),
                    said_no_time = table.Column<bool>(type: "boolean", nullable: false),
                    sent_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    carried_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    mailed_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    looked_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    notes = table.Column<string>(type: "jsonb", nullable: false),
                    version = table.Column<int>(type: "integer", nullable: false),
                    planned_minutes = table.Column<int>(type: "integer", nullable: false),
                    done_minutes = table.Column<double>(type: "double precision", nullable: false),
                    is_whole = table.Column<bool>(type: "boolean", nullable: false),
                    has_log = table.Column<bool>(type: "boolean", nullable: false),
                    is_finished = table.Column<bool>(type: "boolean", nullable: false),
                    is_trimmed = table.Column<bool>(type: "boolean", nullable: false),
                    ended_by_pain = table.Column<bool>(type: "boolean", nullable: false),
                    practised_on = table.Column<DateOnly>(type: "date", nullable: true),
                    slow_repetitions = table.Column<int>(type: "integer", nullable: false),
                    ordinary_repetitions = table.Column<int>(type: "integer", nullable: false),
                    listing = table.Column<string>(type: "jsonb", nullable: false),
                    figures = table.Column<string>(type: "jsonb", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_assignments", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_assignments_plans_academy_id_plan_id",
                        columns: x => new { x.academy_id, x.plan_id },
                        principalTable: "plans",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_assignments_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "guardianships",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    account_id = table.Column<Guid>(type: "uuid", nullable: false),
                    consented_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    withdrawn_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_guardianships", x => new { x.academy_id, x.student_id, x.account_id });
                    table.ForeignKey(
                        name: "fk_guardianships_accounts_account_id",
                        column: x => x.account_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_guardianships_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "invitations",
                columns: table => new
                {
                    token_hash = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    academy_id = table.Column<Guid>(type: "uuid", nullable: true),
                    role = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: true),
                    made_by = table.Column<Guid>(type: "uuid", nullable: true),
                    created_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    expires_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    used_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_invitations", x => x.token_hash);
                    table.ForeignKey(
                        name: "fk_invitations_academies_academy_id",
                        column: x => x.academy_id,
                        principalTable: "academies",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_invitations_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "plan_uses",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    plan_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    last_on = table.Column<DateOnly>(type: "date", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_plan_uses", x => new { x.academy_id, x.plan_id, x.student_id });
                    table.ForeignKey(
                        name: "fk_plan_uses_plans_academy_id_plan_id",
                        columns: x => new { x.academy_id, x.plan_id },
                        principalTable: "plans",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_plan_uses_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "programme_runs",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    programme_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: true),
                    squad_id = table.Column<Guid>(type: "uuid", nullable: true),
                    start = table.Column<DateOnly>(type: "date", nullable: false),
                    until = table.Column<DateOnly>(type: "date", nullable: true),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_programme_runs", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_programme_runs_programmes_academy_id_programme_id",
                        columns: x => new { x.academy_id, x.programme_id },
                        principalTable: "programmes",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_programme_runs_squads_academy_id_squad_id",
                        columns: x => new { x.academy_id, x.squad_id },
                        principalTable: "squads",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_programme_runs_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "review_stops",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    monday = table.Column<DateOnly>(type: "date", nullable: false),
                    held_by = table.Column<Guid>(type: "uuid", nullable: true),
                    held_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    seen_by = table.Column<Guid>(type: "uuid", nullable: true),
                    seen_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    seen_score = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_review_stops", x => new { x.academy_id, x.student_id, x.monday });
                    table.ForeignKey(
                        name: "fk_review_stops_accounts_held_by",
                        column: x => x.held_by,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_review_stops_accounts_seen_by",
                        column: x => x.seen_by,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_review_stops_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "rounds",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    day = table.Column<DateOnly>(type: "date", nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_rounds", x => new { x.academy_id, x.student_id, x.id });
                    table.ForeignKey(
                        name: "fk_rounds_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "squad_members",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    squad_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    joined_on = table.Column<DateOnly>(type: "date", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_squad_members", x => new { x.academy_id, x.squad_id, x.student_id });
                    table.ForeignKey(
                        name: "fk_squad_members_squads_academy_id_squad_id",
                        columns: x => new { x.academy_id, x.squad_id },
                        principalTable: "squads",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_squad_members_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "student_changes",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    account_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    fields = table.Column<string[]>(type: "text[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_student_changes", x => x.id);
                    table.ForeignKey(
                        name: "fk_student_changes_accounts_account_id",
                        column: x => x.account_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_student_changes_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "student_files",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_student_files", x => new { x.academy_id, x.student_id });
                    table.ForeignKey(
                        name: "fk_student_files_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "student_standings",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_student_standings", x => new { x.academy_id, x.student_id });
                    table.ForeignKey(
                        name: "fk_student_standings_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "suggestion_decisions",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    monday = table.Column<DateOnly>(type: "date", nullable: false),
                    suggestion_id = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false),
                    decision = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    change = table.Column<string>(type: "jsonb", nullable: true),
                    decided_by = table.Column<Guid>(type: "uuid", nullable: false),
                    decided_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_suggestion_decisions", x => new { x.academy_id, x.student_id, x.monday, x.suggestion_id });
                    table.ForeignKey(
                        name: "fk_suggestion_decisions_accounts_decided_by",
                        column: x => x.decided_by,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_suggestion_decisions_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "week_words",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    monday = table.Column<DateOnly>(type: "date", nullable: false),
                    question = table.Column<string>(type: "character varying(600)", maxLength: 600, nullable: false),
                    asked_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    asked_on = table.Column<DateOnly>(type: "date", nullable: true),
                    word = table.Column<string>(type: "character varying(600)", maxLength: 600, nullable: false),
                    said_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    said_by = table.Column<Guid>(type: "uuid", nullable: true),
                    answer = table.Column<string>(type: "character varying(600)", maxLength: 600, nullable: false),
                    answered_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_week_words", x => new { x.academy_id, x.student_id, x.monday });
                    table.ForeignKey(
                        name: "fk_week_words_accounts_said_by",
                        column: x => x.said_by,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_week_words_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "published_sessions",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    assignment_id = table.Column<Guid>(type: "uuid", nullable: false),
                    drills = table.Column<string>(type: "jsonb", nullable: false),
                    trim = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_published_sessions", x => new { x.academy_id, x.assignment_id });
                    table.ForeignKey(
                        name: "fk_published_sessions_assignments_academy_id_assignment_id",
                        columns: x => new { x.academy_id, x.assignment_id },
                        principalTable: "assignments",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "session_logs",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    assignment_id = table.Column<Guid>(type: "uuid", nullable: false),
                    account_id = table.Column<Guid>(type: "uuid", nullable: false),
                    continues_log_id = table.Column<Guid>(type: "uuid", nullable: true),
                    continues_sequence = table.Column<int>(type: "integer", nullable: false),
                    clock_was_off = table.Column<bool>(type: "boolean", nullable: false),
                    day = table.Column<DateOnly>(type: "date", nullable: false),
                    finished_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    last_sequence = table.Column<int>(type: "integer", nullable: false),
                    last_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    text_length = table.Column<int>(type: "integer", nullable: false),
                    lesson_notes = table.Column<int>(type: "integer", nullable: false),
                    minutes = table.Column<double>(type: "double precision", nullable: false),
                    effort = table.Column<int>(type: "integer", nullable: true),
                    quality = table.Column<int>(type: "integer", nullable: true),
                    confidence = table.Column<int>(type: "integer", nullable: true),
                    has_note = table.Column<bool>(type: "boolean", nullable: false),
                    pain = table.Column<string>(type: "jsonb", nullable: true),
                    checkpoint = table.Column<string>(type: "character varying(400)", maxLength: 400, nullable: true),
                    log = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_session_logs", x => new { x.academy_id, x.id });
                    table.ForeignKey(
                        name: "fk_session_logs_accounts_account_id",
                        column: x => x.account_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_session_logs_assignments_academy_id_assignment_id",
                        columns: x => new { x.academy_id, x.assignment_id },
                        principalTable: "assignments",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_session_logs_session_logs_academy_id_continues_log_id",
                        columns: x => new { x.academy_id, x.continues_log_id },
                        principalTable: "session_logs",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_session_logs_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "programme_waits",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    run_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    monday = table.Column<DateOnly>(type: "date", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_programme_waits", x => new { x.academy_id, x.run_id, x.student_id, x.monday });
                    table.ForeignKey(
                        name: "fk_programme_waits_programme_runs_academy_id_run_id",
                        columns: x => new { x.academy_id, x.run_id },
                        principalTable: "programme_runs",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_programme_waits_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "drill_results",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    log_id = table.Column<Guid>(type: "uuid", nullable: false),
                    segment_id = table.Column<Guid>(type: "uuid", nullable: false),
                    student_id = table.Column<Guid>(type: "uuid", nullable: false),
                    assignment_id = table.Column<Guid>(type: "uuid", nullable: false),
                    drill_id = table.Column<Guid>(type: "uuid", nullable: false),
                    comparability_key = table.Column<string>(type: "character varying(32)", maxLength: 32, nullable: false),
                    day = table.Column<DateOnly>(type: "date", nullable: false),
                    rung = table.Column<int>(type: "integer", nullable: false),
                    area = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: true),
                    shortfall = table.Column<double>(type: "double precision", nullable: true),
                    document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_drill_results", x => new { x.academy_id, x.log_id, x.segment_id });
                    table.ForeignKey(
                        name: "fk_drill_results_session_logs_academy_id_log_id",
                        columns: x => new { x.academy_id, x.log_id },
                        principalTable: "session_logs",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_drill_results_students_academy_id_student_id",
                        columns: x => new { x.academy_id, x.student_id },
                        principalTable: "students",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "session_entries",
                columns: table => new
                {
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    log_id = table.Column<Guid>(type: "uuid", nullable: false),
                    sequence = table.Column<int>(type: "integer", nullable: false),
                    clock_shift = table.Column<long>(type: "bigint", nullable: false),
                    drill_segment_id = table.Column<Guid>(type: "uuid", nullable: true),
                    document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_session_entries", x => new { x.academy_id, x.log_id, x.sequence });
                    table.ForeignKey(
                        name: "fk_session_entries_session_logs_academy_id_log_id",
                        columns: x => new { x.academy_id, x.log_id },
                        principalTable: "session_logs",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "session_entry_conflicts",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    academy_id = table.Column<Guid>(type: "uuid", nullable: false),
                    log_id = table.Column<Guid>(type: "uuid", nullable: false),
                    sequence = table.Column<int>(type: "integer", nullable: false),
                    received_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_session_entry_conflicts", x => x.id);
                    table.ForeignKey(
                        name: "fk_session_entry_conflicts_session_logs_academy_id_log_id",
                        columns: x => new { x.academy_id, x.log_id },
                        principalTable: "session_logs",
                        principalColumns: new[] { "academy_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateIndex(
                name: "ix_account_claims_user_id",
                table: "account_claims",
                column: "user_id");

            migrationBuilder.CreateIndex(
                name: "ix_account_logins_user_id",
                table: "account_logins",
                column: "user_id");

            migrationBuilder.CreateIndex(
                name: "ix_account_passkeys_user_id",
                table: "account_passkeys",
                column: "user_id");

            migrationBuilder.CreateIndex(
                name: "ix_accounts_academy_id_student_id",
                table: "accounts",
                columns: new[] { "academy_id", "student_id" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_accounts_normalized_email",
                table: "accounts",
                column: "normalized_email");

            migrationBuilder.CreateIndex(
                name: "ix_accounts_normalized_user_name",
                table: "accounts",
                column: "normalized_user_name",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_assignments_academy_id_monday",
                table: "assignments",
                columns: new[] { "academy_id", "monday" });

            migrationBuilder.CreateIndex(
                name: "ix_assignments_academy_id_plan_id_student_id",
                table: "assignments",
                columns: new[] { "academy_id", "plan_id", "student_id" });

            migrationBuilder.CreateIndex(
                name: "ix_assignments_academy_id_student_id_monday",
                table: "assignments",
                columns: new[] { "academy_id", "student_id", "monday" });

            migrationBuilder.CreateIndex(
                name: "ix_calendar_feeds_token_hash",
                table: "calendar_feeds",
                column: "token_hash",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_drill_results_academy_id_student_id_comparability_key_day",
                table: "drill_results",
                columns: new[] { "academy_id", "student_id", "comparability_key", "day" });

            migrationBuilder.CreateIndex(
                name: "ix_drill_results_academy_id_student_id_day",
                table: "drill_results",
                columns: new[] { "academy_id", "student_id", "day" });

            migrationBuilder.CreateIndex(
                name: "ix_drill_results_academy_id_student_id_drill_id_day",
                table: "drill_results",
                columns: new[] { "academy_id", "student_id", "drill_id", "day" });

            migrationBuilder.CreateIndex(
                name: "ix_drills_academy_id_area",
                table: "drills",
                columns: new[] { "academy_id", "area" });

            migrationBuilder.CreateIndex(
                name: "ix_guardianships_account_id",
                table: "guardianships",
                column: "account_id");

            migrationBuilder.CreateIndex(
                name: "ix_invitations_academy_id_id",
                table: "invitations",
                columns: new[] { "academy_id", "id" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_invitations_academy_id_student_id",
                table: "invitations",
                columns: new[] { "academy_id", "student_id" });

            migrationBuilder.CreateIndex(
                name: "ix_mails_academy_id_made_at",
                table: "mails",
                columns: new[] { "academy_id", "made_at" });

            migrationBuilder.CreateIndex(
                name: "ix_mails_account_id_about",
                table: "mails",
                columns: new[] { "account_id", "about" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_mails_claimed_until",
                table: "mails",
                column: "claimed_until",
                filter: "state = 'Waiting'");

            migrationBuilder.CreateIndex(
                name: "ix_plan_uses_academy_id_student_id",
                table: "plan_uses",
                columns: new[] { "academy_id", "student_id" });

            migrationBuilder.CreateIndex(
                name: "ix_plans_academy_id_updated_at",
                table: "plans",
                columns: new[] { "academy_id", "updated_at" });

            migrationBuilder.CreateIndex(
                name: "ix_programme_runs_academy_id_programme_id",
                table: "programme_runs",
                columns: new[] { "academy_id", "programme_id" });

            migrationBuilder.CreateIndex(
                name: "ix_programme_runs_academy_id_squad_id",
                table: "programme_runs",
                columns: new[] { "academy_id", "squad_id" });

            migrationBuilder.CreateIndex(
                name: "ix_programme_runs_academy_id_student_id",
                table: "programme_runs",
                columns: new[] { "academy_id", "student_id" });

            migrationBuilder.CreateIndex(
                name: "ix_programme_waits_academy_id_student_id",
                table: "programme_waits",
                columns: new[] { "academy_id", "student_id" });

            migrationBuilder.CreateIndex(
                name: "ix_review_stops_held_by",
                table: "review_stops",
                column: "held_by");

            migrationBuilder.CreateIndex(
                name: "ix_review_stops_seen_by",
                table: "review_stops",
                column: "seen_by");

            migrationBuilder.CreateIndex(
                name: "ix_rounds_academy_id_student_id_day",
                table: "rounds",
                columns: new[] { "academy_id", "student_id", "day" });

            migrationBuilder.CreateIndex(
                name: "ix_security_events_academy_id_id",
                table: "security_events",
                columns: new[] { "academy_id", "id" });

            migrationBuilder.CreateIndex(
                name: "ix_security_events_academy_id_student_id_at",
                table: "security_events",
                columns: new[] { "academy_id", "student_id", "at" });

            migrationBuilder.CreateIndex(
                name: "ix_security_events_at",
                table: "security_events",
                column: "at");

            migrationBuilder.CreateIndex(
                name: "ix_session_entries_academy_id_log_id_drill_segment_id",
                table: "session_entries",
                columns: new[] { "academy_id", "log_id", "drill_segment_id" },
                filter: "drill_segment_id IS NOT NULL");

            migrationBuilder.CreateIndex(
                name: "ix_session_entry_conflicts_academy_id_log_id",
                table: "session_entry_conflicts",
                columns: new[] { "academy_id", "log_id" });

            migrationBuilder.CreateIndex(
                name: "ix_session_logs_academy_id_assignment_id",
                table: "session_logs",
                columns: new[] { "academy_id", "assignment_id" });

            migrationBuilder.CreateIndex(
                name: "ix_session_logs_academy_id_continues_log_id",
                table: "session_logs",
                columns: new[] { "academy_id", "continues_log_id" });

            migrationBuilder.CreateIndex(
                name: "ix_session_logs_academy_id_day",
                table: "session_logs",
                columns: new[] { "academy_id", "day" });

            migrationBuilder.CreateIndex(
                name: "ix_session_logs_academy_id_student_id_day",
                table: "session_logs",
                columns: new[] { "academy_id", "student_id", "day" });

            migrationBuilder.CreateIndex(
                name: "ix_session_logs_account_id",
                table: "session_logs",
                column: "account_id");

            migrationBuilder.CreateIndex(
                name: "ix_session_logs_with_checkpoint",
                table: "session_logs",
                columns: new[] { "academy_id", "student_id", "day" },
                filter: "checkpoint IS NOT NULL");

            migrationBuilder.CreateIndex(
                name: "ix_session_logs_with_pain",
                table: "session_logs",
                columns: new[] { "academy_id", "student_id" },
                filter: "pain IS NOT NULL");

            migrationBuilder.CreateIndex(
                name: "ix_sign_in_tries_since",
                table: "sign_in_tries",
                column: "since");

            migrationBuilder.CreateIndex(
                name: "ix_sign_ins_account_id",
                table: "sign_ins",
                column: "account_id");

            migrationBuilder.CreateIndex(
                name: "ix_squad_members_academy_id_student_id",
                table: "squad_members",
                columns: new[] { "academy_id", "student_id" });

            migrationBuilder.CreateIndex(
                name: "ix_student_changes_academy_id_student_id_at",
                table: "student_changes",
                columns: new[] { "academy_id", "student_id", "at" });

            migrationBuilder.CreateIndex(
                name: "ix_student_changes_account_id",
                table: "student_changes",
                column: "account_id");

            migrationBuilder.CreateIndex(
                name: "ix_students_coach_id",
                table: "students",
                column: "coach_id");

            migrationBuilder.CreateIndex(
                name: "ix_suggestion_decisions_decided_by",
                table: "suggestion_decisions",
                column: "decided_by");

            migrationBuilder.CreateIndex(
                name: "ix_week_words_said_by",
                table: "week_words",
                column: "said_by");

            migrationBuilder.AddForeignKey(
                name: "fk_account_claims_accounts_user_id",
                table: "account_claims",
                column: "user_id",
                principalTable: "accounts",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_account_logins_accounts_user_id",
                table: "account_logins",
                column: "user_id",
                principalTable: "accounts",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_account_passkeys_accounts_user_id",
                table: "account_passkeys",
                column: "user_id",
                principalTable: "accounts",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_account_tokens_accounts_user_id",
                table: "account_tokens",
                column: "user_id",
                principalTable: "accounts",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "fk_accounts_students_academy_id_student_id",
                table: "accounts",
                columns: new[] { "academy_id", "student_id" },
                principalTable: "students",
                principalColumns: new[] { "academy_id", "id" },
                onDelete: ReferentialAction.Restrict);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "fk_students_accounts_coach_id",
                table: "students");

            migrationBuilder.DropTable(
                name: "account_claims");

            migrationBuilder.DropTable(
                name: "account_logins");

            migrationBuilder.DropTable(
                name: "account_passkeys");

            migrationBuilder.DropTable(
                name: "account_tokens");

            migrationBuilder.DropTable(
                name: "calendar_feeds");

            migrationBuilder.DropTable(
                name: "courses");

            migrationBuilder.DropTable(
                name: "data_protection_keys");

            migrationBuilder.DropTable(
                name: "drill_results");

            migrationBuilder.DropTable(
                name: "drills");

            migrationBuilder.DropTable(
                name: "guardianships");

            migrationBuilder.DropTable(
                name: "invitations");

            migrationBuilder.DropTable(
                name: "mails");

            migrationBuilder.DropTable(
                name: "places");

            migrationBuilder.DropTable(
                name: "plan_uses");

            migrationBuilder.DropTable(
                name: "programme_waits");

            migrationBuilder.DropTable(
                name: "published_sessions");

            migrationBuilder.DropTable(
                name: "reminder_choices");

            migrationBuilder.DropTable(
                name: "reminder_rounds");

            migrationBuilder.DropTable(
                name: "review_stops");

            migrationBuilder.DropTable(
                name: "rounds");

            migrationBuilder.DropTable(
                name: "security_events");

            migrationBuilder.DropTable(
                name: "session_entries");

            migrationBuilder.DropTable(
                name: "session_entry_conflicts");

            migrationBuilder.DropTable(
                name: "sign_in_tries");

            migrationBuilder.DropTable(
                name: "sign_ins");

            migrationBuilder.DropTable(
                name: "squad_members");

            migrationBuilder.DropTable(
                name: "student_changes");

            migrationBuilder.DropTable(
                name: "student_files");

            migrationBuilder.DropTable(
                name: "student_standings");

            migrationBuilder.DropTable(
                name: "suggestion_decisions");

            migrationBuilder.DropTable(
                name: "test_days");

            migrationBuilder.DropTable(
                name: "week_words");

            migrationBuilder.DropTable(
                name: "programme_runs");

            migrationBuilder.DropTable(
                name: "session_logs");

            migrationBuilder.DropTable(
                name: "programmes");

            migrationBuilder.DropTable(
                name: "squads");

            migrationBuilder.DropTable(
                name: "assignments");

            migrationBuilder.DropTable(
                name: "plans");

            migrationBuilder.DropTable(
                name: "accounts");

            migrationBuilder.DropTable(
                name: "students");

            migrationBuilder.DropTable(
                name: "academies");
        }
    }
}
