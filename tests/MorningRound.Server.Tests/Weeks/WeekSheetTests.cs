using System.Net;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Tests.Weeks;

/// <summary>One coach, many students, one week.</summary>
public sealed class WeekSheetTests(OneSchool one) : IClassFixture<OneSchool>, IAsyncLifetime
{
    private const string Sheet = $"/api/weeks/{TestServer.Week}/sheet";
    private const string NextWeek = "2026-W20";

    private School _school = null!;

    /// <summary>An academy of its own for every test, on one server.</summary>
    public async ValueTask InitializeAsync() => _school = await School.OpenAsync(one.School.Server, $"{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private Guid[] Both => [_school.StudentId, _school.OtherStudentId];

    [Fact]
    public async Task Whoever_has_nothing_set_stands_first_with_times_days_away_and_competitions()
    {
        await _school.SetAsync(await _school.SavePlanAsync());
        await _school.WriteFileAsync(
            _school.OtherStudentId,
            new
            {
                own = new
                {
                    windows = new[]
                    {
                        new
                        {
                            weekday = "tuesday",
                            from = "17:00:00",
                            minutes = 60,
                            place = "range",
                        },
                    },
                    absences = new[] { new { firstDay = "2026-05-09", lastDay = "2026-05-20" } },
                    competitions = new[]
                    {
                        new
                        {
                            id = Guid.CreateVersion7(),
                            name = "The island cup",
                            firstDay = "2026-05-12",
                            lastDay = "2026-05-12",
                            arrivalDay = "2026-05-10",
                        },
                    },
                },
            }
        );
        var rows = (await _school.Coach.GetAsync(Sheet)).Body!["rows"]!.AsArray();
        Assert.Equal(Both.Reverse(), rows.Select(r => r!["studentId"]!.GetValue<Guid>()));
        var first = rows[0]!;
        Assert.Equal(60, Assert.Single(first["times"]!.AsArray())!["minutes"]!.GetValue<int>());
        Assert.Equal(["2026-05-09", "2026-05-10"], first["away"]!.AsArray().Select(d => d!.GetValue<string>()));
        Assert.Equal("The island cup", Assert.Single(first["competitions"]!.AsArray())!["name"]!.GetValue<string>());
        Assert.Equal((33, "Half an hour"), (rows[1]!["minutes"]!.GetValue<int>(), TitleOf(rows[1]!)));
    }

    [Fact]
    public async Task A_squad_shows_its_own_and_may_be_empty()
    {
        var (squad, empty) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        await _school.Coach.PutAsync($"/api/squads/{squad}", new { name = "Juniors", members = new[] { _school.StudentId } });
        await _school.Coach.PutAsync($"/api/squads/{empty}", new { name = "Empty" });
        var sheet = (await _school.Coach.GetAsync($"{Sheet}?squad={squad}")).Body!;
        Assert.Equal(_school.StudentId, Assert.Single(sheet["rows"]!.AsArray())!["studentId"]!.GetValue<Guid>());
        Assert.Equal(["Empty", "Juniors"], sheet["squads"]!.AsArray().Select(s => s!["name"]!.GetValue<string>()));
        Assert.Empty((await _school.Coach.GetAsync($"{Sheet}?squad={empty}")).Body!["rows"]!.AsArray());
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.GetAsync($"{Sheet}?squad={Guid.CreateVersion7()}")).Status);
    }

    [Fact]
    public async Task A_squad_is_changed_by_whoever_saw_its_latest_version_and_names_what_is_wrong()
    {
        var path = $"/api/squads/{Guid.CreateVersion7()}";
        Assert.Equal(["name"], (await _school.Coach.PutAsync(path, new { name = " " })).Fields);
        Assert.Equal(
            ["members"],
            (
                await _school.Coach.PutAsync(
                    path,
                    new { name = "Twice", members = new[] { _school.StudentId, _school.StudentId } }
                )
            ).Fields
        );
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await _school.Coach.PutAsync(path, new { name = "Nobody", members = new[] { Guid.CreateVersion7() } })).Status
        );
        await _school.Coach.PutAsync(path, new { name = "Squad", members = Both });
        var changed = await _school.Coach.PutAsync(path, new { name = "Squad", members = new[] { _school.StudentId } }, 1);
        Assert.Equal(2, changed.Get<int>("version"));
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await _school.Coach.PutAsync(path, new { name = "Late" }, 1)).Status);
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync(path, 2)).Status);
    }

    [Fact]
    public async Task The_sheet_asks_the_same_however_many_students()
    {
        async Task<int> StatementsAsync()
        {
            _school.Server.Statements.Take();
            Assert.Equal(HttpStatusCode.OK, (await _school.Coach.GetAsync(Sheet)).Status);
            return _school.Server.Statements.Take().Count;
        }

        var plan = await _school.SavePlanAsync();
        await _school.SetAsync(plan);
        var few = await StatementsAsync();
        for (var n = 0; n < 40; n++)
        {
            var id = Guid.CreateVersion7();
            await _school.Coach.PutAsync($"/api/students/{id}", School.StudentInput($"Student {n:00}"));
            await _school.SetAsync(plan, studentId: id);
        }

        var many = await StatementsAsync();
        Assert.Equal(few, many);
        Assert.InRange(many, 1, 6);
        Assert.InRange(await _school.Coach.CompressedBytesAsync(Sheet), 1, 60_000);
    }

    [Fact]
    public async Task Setting_and_copying_ask_the_same_however_many_students()
    {
        var plan = await _school.SavePlanAsync();
        var students = new List<Guid>();
        for (var n = 0; n < 20; n++)
        {
            students.Add(Guid.CreateVersion7());
            await _school.Coach.PutAsync($"/api/students/{students[n]}", School.StudentInput($"Student {n:00}"));
        }

        async Task<int> StatementsAsync(string path, object body)
        {
            _school.Server.Statements.Take();
            Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PostAsync(path, body)).Status);
            return _school.Server.Statements.Take().Count;
        }

        Task<int> SetAsync(IEnumerable<Guid> some) =>
            StatementsAsync(
                $"/api/weeks/{TestServer.Week}/set",
                new { planId = plan, sessions = some.Select(s => new { id = Guid.CreateVersion7(), studentId = s }) }
            );
        Task<int> CopyAsync(IEnumerable<Guid> some) => StatementsAsync($"/api/weeks/{NextWeek}/copy", new { students = some });

        Assert.Equal(await SetAsync(students[..1]), await SetAsync(students[1..]));
        Assert.Equal(await CopyAsync(students[..1]), await CopyAsync(students[1..]));
    }

    [Fact]
    public async Task A_plan_for_many_becomes_each_ones_own_and_says_what_was_changed_for_whom()
    {
        await _school.WriteFileAsync(
            _school.StudentId,
            new { coach = new { bag = new[] { new { club = "iron8" }, new { club = "putter" } } } }
        );
        var plan = await _school.SavePlanAsync(WithClub("iron7"));
        var sessions = Both.Select(s => new { id = Guid.CreateVersion7(), studentId = s }).ToArray();
        var input = new
        {
            planId = plan,
            day = "2026-05-08",
            sessions,
        };
        var set = (await _school.Coach.PostAsync($"/api/weeks/{TestServer.Week}/set", input)).Body!.AsArray();
        var changed = set.Select(w => w!["sessions"]![0]!["notes"]?["tailored"]?.AsArray().Count ?? 0);
        Assert.Equal([1, 0], changed);
        Assert.Equal([true, false], set.Select(w => w!["sessions"]![0]!["hasOwnText"]!.GetValue<bool>()));
        Assert.Equal(
            "“Gate”: the 8 iron for the 7 iron, which is not in the bag.",
            set[0]!["sessions"]![0]!["notes"]!["tailored"]![0]!.GetValue<string>()
        );

        // The same call again changes nothing.
        var again = (await _school.Coach.PostAsync($"/api/weeks/{TestServer.Week}/set", input)).Body!.AsArray();
        Assert.Equal([1, 1], again.Select(w => w!["sessions"]![0]!["version"]!.GetValue<int>()));

        // What is published is the student's own text, and the plan's later text only for who follows it.
        await _school.Coach.PutAsync($"/api/plans/{plan}", WithClub("iron9"), 1);
        await PublishAsync(Both);
        Assert.Equal("iron8", await ClubAsync(_school.Student, sessions[0].id));
        Assert.Equal("iron9", await ClubAsync(_school.OtherStudent, sessions[1].id));
        var row = await RowAsync(_school.StudentId);
        Assert.Equal(sessions[0].id, Assert.Single(row["planChanged"]!.AsArray())!.GetValue<Guid>());
    }

    [Fact]
    public async Task Setting_names_what_is_wrong()
    {
        var plan = await _school.SavePlanAsync();
        Task<Answer> SetAsync(object input) => _school.Coach.PostAsync($"/api/weeks/{TestServer.Week}/set", input);
        var one = new[] { new { id = Guid.CreateVersion7(), studentId = _school.StudentId } };
        Assert.Equal(["sessions"], (await SetAsync(new { planId = plan, sessions = Array.Empty<object>() })).Fields);
        Assert.Equal(
            ["day"],
            (
                await SetAsync(
                    new
                    {
                        planId = plan,
                        day = "2026-05-20",
                        sessions = one,
                    }
                )
            ).Fields
        );
        Assert.Equal(
            ["order"],
            (
                await SetAsync(
                    new
                    {
                        planId = plan,
                        order = 0,
                        sessions = one,
                    }
                )
            ).Fields
        );
        Assert.Equal(
            ["requirement"],
            (
                await SetAsync(
                    new
                    {
                        planId = plan,
                        requirement = "own",
                        sessions = one,
                    }
                )
            ).Fields
        );
        Assert.Equal(HttpStatusCode.NotFound, (await SetAsync(new { planId = Guid.CreateVersion7(), sessions = one })).Status);
        Assert.Equal(["students"], (await PublishAsync([])).Fields);
    }

    [Fact]
    public async Task Last_week_is_copied_once_with_what_was_missed_marked()
    {
        var missed = await _school.SetAsync(await _school.SavePlanAsync(School.Plan("Missed")), day: "2026-05-05");
        await _school.SetAsync(await _school.SavePlanAsync(School.Plan("Friday")), day: "2026-05-08", requirement: "extra");
        await _school.SetAsync(await _school.SavePlanAsync(School.Plan("Some day")), day: null);
        await PublishAsync([_school.StudentId]);
        var copied = await CopyAsync();
        Assert.Equal(
            [("Missed", "2026-05-12", true), ("Friday", "2026-05-15", false), ("Some day", null, false)],
            copied.Select(c =>
                (
                    c!["title"]!.GetValue<string>(),
                    c["day"]?.GetValue<string>(),
                    c["notes"]?["wasMissed"]?.GetValue<bool>() ?? false
                )
            )
        );
        Assert.All(copied, c => Assert.False(c!["isPublished"]!.GetValue<bool>()));
        var again = await CopyAsync();
        Assert.Equal(copied.Select(Id), again.Select(Id));
        Assert.DoesNotContain(missed, again.Select(Id));
    }

    [Fact]
    public async Task A_copy_doubles_no_day_and_leaves_filled_weeks_alone_where_that_is_asked()
    {
        var (tuesday, anyDay) = (
            await _school.SavePlanAsync(School.Plan("Tuesday")),
            await _school.SavePlanAsync(School.Plan("Any day"))
        );
        await _school.SetAsync(tuesday, day: "2026-05-05");
        // Set twice without a day, it is meant twice.
        await _school.SetAsync(anyDay, day: null);
        await _school.SetAsync(anyDay, day: null);
        await PublishAsync([_school.StudentId]);
        // The coach has set both by hand already: one on its day, one of the two without a day.
        await SetNextAsync(tuesday, "2026-05-12");
        await SetNextAsync(anyDay, null);

        var empty = await _school.Coach.PostAsync(
            $"/api/weeks/{NextWeek}/copy",
            new { students = new[] { _school.StudentId }, onlyEmpty = true }
        );
        Assert.Empty(empty.Body!.AsArray());
        Assert.Equal(["Any day"], (await CopyAsync()).Select(c => c!["title"]!.GetValue<string>()));
        var week = await _school.Coach.GetAsync($"/api/weeks/{NextWeek}/sheet");
        var sessions = week.Body!["rows"]!.AsArray().Single(r => r!["studentId"]!.GetValue<Guid>() == _school.StudentId)![
            "sessions"
        ]!.AsArray();
        Assert.Equal(["Any day", "Any day", "Tuesday"], sessions.Select(s => s!["title"]!.GetValue<string>()).Order());
    }

    [Fact]
    public async Task A_goal_met_twice_running_offers_the_next_step_and_the_coach_takes_it()
    {
        var plan = await _school.SavePlanAsync(
            School.PlanWithDrill(Ladder[0], goal: new { measure = "best", limit = 2 }, ladder: Ladder)
        );
        foreach (var day in new[] { "2026-05-04", "2026-05-05" })
        {
            var session = await _school.SetAsync(plan, day);
            await PublishAsync([_school.StudentId]);
            // Half of the segment's 20 balls: fewer attempts judge no goal.
            await AnswerAsync(session, makes: 2, attempts: 10);
        }

        var copied = await CopyAsync();
        var offer = Assert.Single(copied[0]!["notes"]!["offers"]!.AsArray())!;
        Assert.Equal("“Gate” could go on to “Five”: the goal was met 2 times running.", offer["why"]!.GetValue<string>());
        var path = $"/api/weeks/assignments/{Id(copied[0])}/steps";
        var taken = await _school.Coach.PutAsync(path, new { take = new[] { School.First } }, 1);
        Assert.Equal(HttpStatusCode.OK, taken.Status);
        Assert.True(taken.Get<bool>("hasOwnText"));
        Assert.Empty(taken.Body!["notes"]!["offers"]!.AsArray());
        // Taking it twice is taking it once.
        Assert.Equal(2, (await _school.Coach.PutAsync(path, new { take = new[] { School.First } }, 2)).Get<int>("version"));
        await PublishAsync([_school.StudentId], NextWeek);
        var seen = await _school.Student.GetAsync($"/api/sessions/{Id(copied[0])}");
        Assert.Equal(5, seen.Body!["drills"]![0]!["protocol"]!["length"]!.GetValue<int>());
    }

    [Fact]
    public async Task Drafts_are_placed_with_a_reason_and_what_a_coach_put_on_a_day_stays_there()
    {
        await _school.WriteFileAsync(
            _school.StudentId,
            new
            {
                own = new
                {
                    windows = new[] { "tuesday", "thursday", "saturday" }.Select(weekday => new
                    {
                        weekday,
                        from = "17:00:00",
                        minutes = 60,
                        place = "range",
                    }),
                },
            }
        );
        var plan = await _school.SavePlanAsync();
        var chosen = await SetNextAsync(plan, "2026-05-14");
        var free = new[] { await SetNextAsync(plan, null), await SetNextAsync(plan, null) };
        var placed = (
            await _school.Coach.PostAsync($"/api/weeks/{NextWeek}/place", new { students = new[] { _school.StudentId } })
        ).Body![0]!;
        var days = placed["sessions"]!.AsArray().ToDictionary(Id, s => s!["day"]!.GetValue<string>());
        Assert.Equal(("2026-05-14", "2026-05-12", "2026-05-16"), (days[chosen], days[free[0]], days[free[1]]));
        var why = placed["placed"]!.AsArray()[1]!;
        Assert.Equal("Saturday. Not Tuesday: another session comes first there.", why["why"]!.GetValue<string>());
        // The student reads the same once it is published.
        await PublishAsync([_school.StudentId], NextWeek);
        var seen = (await _school.Student.GetAsync($"/api/weeks/{NextWeek}/students/{_school.StudentId}")).Body![
            "sessions"
        ]!.AsArray();
        Assert.Equal(why["why"]!.GetValue<string>(), seen[2]!["notes"]!["dayReason"]!.GetValue<string>());
    }

    [Fact]
    public async Task Whoever_practises_on_one_day_a_week_is_given_one_day()
    {
        // Three finished weeks with one day of practice each: one day is usual.
        foreach (var weeksAgo in new[] { 1, 2, 3 })
        {
            var log = Guid.CreateVersion7();
            await _school.SendAsync(
                log,
                await _school.PublishedSessionAsync(),
                School.Entry(1, "entered", 0, ("segmentId", School.First))
            );
            var day = new DateOnly(2026, 5, 4).AddDays(-7 * weeksAgo);
            await using var scope = _school.Server.Services.CreateAsyncScope();
            var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
            await db.SessionLogs.Where(l => l.Id == log).ExecuteUpdateAsync(set => set.SetProperty(l => l.Day, day));
        }

        var plan = await _school.SavePlanAsync();
        foreach (var _ in new[] { 1, 2 })
            await SetNextAsync(plan, null);
        var placed = (
            await _school.Coach.PostAsync($"/api/weeks/{NextWeek}/place", new { students = new[] { _school.StudentId } })
        ).Body![0]!["placed"]!.AsArray();
        Assert.Equal("2026-05-11", placed[0]!["day"]!.GetValue<string>());
        Assert.Null(placed[1]!["day"]);
        Assert.Equal("Stays on any day. Not Tuesday: usually practises 1 day a week.", placed[1]!["why"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_week_is_published_for_many_and_what_holds_back_is_that_session_alone()
    {
        var (sound, bare) = (await _school.SavePlanAsync(), await _school.SavePlanAsync(School.Plan("Bare", purpose: "")));
        await _school.SetAsync(sound, studentId: _school.StudentId);
        await _school.SetAsync(sound, studentId: _school.OtherStudentId);
        await _school.SetAsync(bare, studentId: _school.OtherStudentId);
        var preview = (await PublishAsync(Both, isPreview: true)).Body!.AsArray();
        Assert.Equal([1, 1], preview.Select(w => w!["published"]!.AsArray().Count));
        Assert.Equal([0, 1], preview.Select(w => w!["notPublished"]!.AsArray().Count));
        Assert.Empty((await _school.Student.GetAsync(WeekOf(_school.StudentId))).Body!["sessions"]!.AsArray());

        var published = (await PublishAsync(Both)).Body!.AsArray();
        Assert.Equal(preview.ToJsonString(), published.ToJsonString());
        Assert.Single((await _school.OtherStudent.GetAsync(WeekOf(_school.OtherStudentId))).Body!["sessions"]!.AsArray());
    }

    [Fact]
    public async Task Publishing_is_taken_back_while_the_student_was_not_sent_it()
    {
        var session = await _school.PublishedSessionAsync();
        var withdrawn = await ChangeAsync("withdraw", session, 2);
        Assert.False(withdrawn["card"]!["isPublished"]!.GetValue<bool>());
        Assert.Empty((await _school.Student.GetAsync(WeekOf(_school.StudentId))).Body!["sessions"]!.AsArray());

        await _school.PublishAsync();
        Assert.Single((await _school.Student.GetAsync(WeekOf(_school.StudentId))).Body!["sessions"]!.AsArray());
        var late = await ChangeAsync("withdraw", session, 4);
        Assert.StartsWith("The student has already seen this session.", Text(late, "refused"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_was_taken_out_is_put_back_as_it_was()
    {
        var session = await _school.SetAsync(await _school.SavePlanAsync());
        Assert.Null((await ChangeAsync("takeOut", session, 1))["card"]);
        Assert.Empty((await RowAsync(_school.StudentId))["sessions"]!.AsArray());
        Assert.Equal("There is no such session.", Text(await ChangeAsync("takeOut", session, 2), "refused"));
        Assert.Equal("2026-05-06", Text((await ChangeAsync("restore", session, 2))["card"]!, "day"));
        Assert.Single((await RowAsync(_school.StudentId))["sessions"]!.AsArray());
    }

    [Fact]
    public async Task A_storm_excuses_a_session_and_that_is_taken_back()
    {
        var session = await _school.PublishedSessionAsync("2026-05-08");
        Task<Answer> ExcuseAsync(string? excuse, int version) =>
            _school.Coach.PostAsync(
                "/api/weeks/changes",
                new
                {
                    changes = new[]
                    {
                        new
                        {
                            kind = "excuse",
                            id = session,
                            version,
                            excuse,
                        },
                    },
                }
            );
        var excused = (await ExcuseAsync("weather", 2)).Body![0]!["card"]!;
        Assert.Equal(("excused", "weather"), (Text(excused, "status"), Text(excused, "excuse")));
        Assert.Equal("open", Text((await ExcuseAsync(null, 3)).Body![0]!["card"]!, "status"));
    }

    [Fact]
    public async Task Of_several_changes_each_is_made_or_refused_by_itself()
    {
        var plan = await _school.SavePlanAsync();
        var (first, second) = (await _school.SetAsync(plan), await _school.SetAsync(plan));
        await ChangeAsync("move", first, 1, "2026-05-08");
        object Moved(Guid id, string day) =>
            new
            {
                kind = "move",
                id,
                version = 1,
                day,
            };
        var answer = await _school.Coach.PostAsync(
            "/api/weeks/changes",
            new { changes = new[] { Moved(first, "2026-05-09"), Moved(second, "2026-05-09"), Moved(second, "2026-05-30") } }
        );
        var changed = answer.Body!.AsArray();
        Assert.Equal("2026-05-08", Text(changed[0]!["current"]!, "day"));
        Assert.Equal("2026-05-09", Text(changed[1]!["card"]!, "day"));
        Assert.StartsWith("Somebody saved a newer version", Text(changed[2]!, "refused"), StringComparison.Ordinal);
        Assert.Equal(
            ["changes"],
            (await _school.Coach.PostAsync("/api/weeks/changes", new { changes = Array.Empty<object>() })).Fields
        );
    }

    [Fact]
    public async Task Two_coaches_at_once_lose_nothing_and_the_later_one_sees_what_changed()
    {
        var session = await _school.SetAsync(await _school.SavePlanAsync());
        var sheet = await RowAsync(_school.StudentId);
        var plan = sheet["sessions"]![0]!["planId"]!.GetValue<Guid>();
        object Moved(string day) =>
            new
            {
                studentId = _school.StudentId,
                planId = plan,
                week = TestServer.Week,
                day,
                requirement = "must",
            };
        var path = $"/api/weeks/assignments/{session}";
        Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PutAsync(path, Moved("2026-05-07"), 1)).Status);
        var late = await _school.Owner.PutAsync(path, Moved("2026-05-08"), 1);
        Assert.Equal(HttpStatusCode.PreconditionFailed, late.Status);
        Assert.Equal("2026-05-07", late.Body!["current"]!["day"]!.GetValue<string>());
    }

    [Fact]
    public async Task The_check_of_many_weeks_says_what_is_found_by_name_of_the_segment()
    {
        await _school.WriteFileAsync(
            _school.StudentId,
            new
            {
                own = new
                {
                    absences = new[] { new { firstDay = "2026-05-08", lastDay = "2026-05-08" } },
                    believedWeaknesses = new[] { "bunker" },
                },
                coach = new { painfulParts = new[] { new { part = "lowerBack", since = "2026-05-01" } } },
            }
        );
        await _school.SetAsync(await _school.SavePlanAsync(), day: "2026-05-08");
        var found = (
            await _school.Coach.PostAsync($"/api/weeks/{TestServer.Week}/check", new { students = Both })
        ).Body!.AsArray();
        var session = Assert.Single(
            found.Single(f => f!["studentId"]!.GetValue<Guid>() == _school.StudentId)!["sessions"]!.AsArray()
        )!;
        Assert.Contains(
            session["findings"]!.AsArray(),
            f => f!["level"]!.GetValue<string>() == "stop" && f["segment"]!.GetValue<string>() == "Gate"
        );
        var week = found.Single(f => f!["studentId"]!.GetValue<Guid>() == _school.StudentId)!["week"]!.AsArray();
        Assert.Contains(
            "“Half an hour” is on Friday, a day on which the student cannot.",
            week.Select(f => f!["why"]!.GetValue<string>())
        );
        Assert.Contains(
            "Nothing for bunker, which the student believes is weak.",
            week.Select(f => f!["why"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task A_student_moves_a_session_inside_the_week_into_a_time_of_theirs()
    {
        await _school.WriteFileAsync(
            _school.StudentId,
            new
            {
                own = new
                {
                    windows = new[]
                    {
                        new
                        {
                            weekday = "saturday",
                            from = "10:00:00",
                            minutes = 45,
                            place = "range",
                        },
                    },
                },
            }
        );
        var session = await _school.PublishedSessionAsync("2026-05-07");
        var path = $"/api/weeks/assignments/{session}/day";
        Task<Answer> ToAsync(string day) => _school.Student.PutAsync(path, new { day }, 2);
        var before = (await _school.Student.GetAsync(WeekOf(_school.StudentId))).Body!;
        // What can be moved where is said beforehand.
        Assert.Equal(
            ["2026-05-09"],
            Assert.Single(before["canMove"]!.AsArray())!["days"]!.AsArray().Select(d => d!.GetValue<string>())
        );
        Assert.Equal(30, before["sessions"]![0]!["bring"]!["ballsToBuy"]!.GetValue<int>());
        Assert.Equal(["day"], (await ToAsync("2026-05-08")).Fields);
        Assert.Equal(["day"], (await ToAsync("2026-05-05")).Fields);
        Assert.Equal(["day"], (await ToAsync("2026-05-16")).Fields);
        var moved = await ToAsync("2026-05-09");
        Assert.Equal((HttpStatusCode.OK, "2026-05-09"), (moved.Status, moved.Get<string>("day")));
        // It is one session still, and what they did themselves is no news to them.
        var week = (await _school.Student.GetAsync(WeekOf(_school.StudentId))).Body!;
        Assert.Empty(Assert.Single(week["sessions"]!.AsArray())!["unseen"]!.AsArray());
    }

    [Fact]
    public async Task A_student_who_cannot_is_excused_but_no_time_excuses_nothing()
    {
        var session = await _school.PublishedSessionAsync("2026-05-07");
        Task<Answer> CannotAsync(string? reason, int version) =>
            _school.Student.PutAsync($"/api/weeks/assignments/{session}/cannot", new { reason }, version);
        var ill = await CannotAsync("ill", 2);
        Assert.Equal(("excused", "ill"), (ill.Get<string>("status"), ill.Get<string>("excuse")));
        var noTime = await CannotAsync("noTime", 3);
        Assert.Equal(("open", true), (noTime.Get<string>("status"), noTime.Get<bool>("saidNoTime")));
        Assert.Null(noTime.Body!["excuse"]);
        Assert.False((await CannotAsync(null, 4)).Get<bool>("saidNoTime"));
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await _school.OtherStudent.PutAsync($"/api/weeks/assignments/{session}/cannot", new { reason = "ill" }, 5)).Status
        );
    }

    [Fact]
    public async Task What_a_coach_changed_is_told_until_the_student_has_looked()
    {
        var session = await _school.PublishedSessionAsync("2026-05-07");
        await _school.Student.GetAsync(WeekOf(_school.StudentId));
        var plan = (await RowAsync(_school.StudentId))["sessions"]![0]!["planId"]!.GetValue<Guid>();
        _school.Server.RealClock.Forward(TimeSpan.FromMinutes(1));
        await _school.Coach.PutAsync(
            $"/api/weeks/assignments/{session}",
            new
            {
                studentId = _school.StudentId,
                planId = plan,
                week = TestServer.Week,
                day = "2026-05-08",
                requirement = "must",
            },
            2
        );
        async Task<JsonArray> UnseenAsync() =>
            (await _school.Student.GetAsync(WeekOf(_school.StudentId))).Body!["sessions"]![0]!["unseen"]!.AsArray();
        var change = Assert.Single(await UnseenAsync())!;
        Assert.Equal(("moved", "2026-05-07", "2026-05-08"), (Text(change, "kind"), Text(change, "from"), Text(change, "to")));
        _school.Server.RealClock.Forward(TimeSpan.FromMinutes(1));
        await _school.Student.SendAsync(HttpMethod.Put, $"/api/weeks/{TestServer.Week}/looked");
        Assert.Empty(await UnseenAsync());
    }

    private async Task<JsonNode> ChangeAsync(string kind, Guid id, int version, string? day = null) =>
        (
            await _school.Coach.PostAsync(
                "/api/weeks/changes",
                new
                {
                    changes = new[]
                    {
                        new
                        {
                            kind,
                            id,
                            version,
                            day,
                        },
                    },
                }
            )
        ).Body![0]!;

    private static readonly object[] Ladder =
    [
        new { name = "Three", protocol = School.Streak() },
        new { name = "Five", protocol = School.Streak(5) },
    ];

    private static string Text(JsonNode node, string name) => node[name]!.GetValue<string>();

    private static Guid Id(JsonNode? card) => card!["assignmentId"]!.GetValue<Guid>();

    private static string TitleOf(JsonNode row) => row["sessions"]![0]!["title"]!.GetValue<string>();

    private static string WeekOf(Guid student) => $"/api/weeks/{TestServer.Week}/students/{student}";

    private static JsonNode WithClub(string club)
    {
        var plan = JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(School.Plan()))!;
        plan["segments"]![0]!["clubs"] = new JsonArray(club);
        return plan;
    }

    private static async Task<string> ClubAsync(Browser student, Guid session) =>
        (await student.GetAsync($"/api/sessions/{session}")).Body!["plan"]!["segments"]![0]!["clubs"]![0]!.GetValue<string>();

    private async Task<JsonNode> RowAsync(Guid student) =>
        (await _school.Coach.GetAsync(Sheet)).Body!["rows"]!.AsArray().Single(r => r!["studentId"]!.GetValue<Guid>() == student)!;

    private Task<Answer> PublishAsync(Guid[] students, string week = TestServer.Week, bool isPreview = false) =>
        _school.Coach.PostAsync($"/api/weeks/{week}/publish", new { students, isPreview });

    private async Task<JsonArray> CopyAsync() =>
        (await _school.Coach.PostAsync($"/api/weeks/{NextWeek}/copy", new { students = new[] { _school.StudentId } })).Body![0]![
            "sessions"
        ]!.AsArray();

    private async Task<Guid> SetNextAsync(Guid plan, string? day)
    {
        var id = Guid.CreateVersion7();
        await _school.Coach.PutAsync(
            $"/api/weeks/assignments/{id}",
            new
            {
                studentId = _school.StudentId,
                planId = plan,
                week = NextWeek,
                day,
                requirement = "must",
            }
        );
        return id;
    }

    /// <summary>Practises the first drill of a session: so many makes, then a miss.</summary>
    /// <summary>Runs of so many makes with a miss after each, up to a number of attempts; one run where none is named.</summary>
    private async Task AnswerAsync(Guid session, int makes, int? attempts = null)
    {
        var entries = new List<Dictionary<string, object?>> { School.Entry(1, "entered", 0, ("segmentId", School.First)) };
        for (var attempt = 1; attempt <= (attempts ?? (makes + 1)); attempt++)
        {
            entries.Add(
                School.Entry(
                    attempt + 1,
                    "answered",
                    attempt,
                    ("segmentId", School.First),
                    ("flowVersion", 1),
                    (
                        "input",
                        new
                        {
                            kind = "choice",
                            attempt,
                            value = attempt % (makes + 1) != 0 ? "made" : "missed",
                        }
                    )
                )
            );
        }

        Assert.Equal(HttpStatusCode.OK, (await _school.SendAsync(Guid.CreateVersion7(), session, [.. entries])).Status);
    }
}
