using System.Collections.Concurrent;
using Kostel.Core.Problems;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Jobs;
using Microsoft.AspNetCore.SignalR;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Logging.Abstractions;

namespace Kostel.Server.Tests;

/// <summary>The queue with works that a test steers, on a real library.</summary>
public sealed class JobQueueTests : IAsyncLifetime
{
    private static readonly JobKind<Asked> Computing = new("counting", JobLane.Computing), Network = new("fetching", JobLane.Network);

    private readonly string folder = Directory.CreateTempSubdirectory("kostel-jobs-").FullName;
    private readonly LibraryFolder library;
    private readonly SteeredWork counting = new(Computing), fetching = new(Network);
    private readonly JobQueue queue;
    private readonly ComputingHold hold = new(TimeProvider.System);

    public JobQueueTests()
    {
        library = new LibraryFolder(folder);
        library.Open();
        var board = new ProgressBoard(new SilentHub());
        var failures = new JobFailures(library, board, TimeProvider.System, NullLogger<JobFailures>.Instance);
        queue = new JobQueue(library, [counting, fetching], failures, board, hold, TimeProvider.System, NullLogger<JobQueue>.Instance);
    }

    [Fact]
    public async Task Lanes_do_not_wait_for_one_another_and_one_lane_does_one_thing_at_a_time()
    {
        var (first, second, other) = (await Add(Computing, "a"), await Add(Computing, "b"), await Add(Network, "c"));
        await queue.StartAsync(CancellationToken.None);
        await counting.Begun("a");
        await fetching.Begun("c");
        Assert.DoesNotContain("b", counting.Seen);
        fetching.End("c");
        counting.End("a");
        await counting.Begun("b");
        counting.End("b");
        await Ended(first, second, other);
        Assert.All(new[] { first, second, other }, j => Assert.Equal(JobState.Done, State(j).State));
    }

    [Fact]
    public async Task The_network_has_two_at_a_time()
    {
        await Add(Network, "a");
        await Add(Network, "b");
        await Add(Network, "c");
        await queue.StartAsync(CancellationToken.None);
        await fetching.Begun("a");
        await fetching.Begun("b");
        Assert.DoesNotContain("c", fetching.Seen);
        fetching.End("a");
        await fetching.Begun("c");
    }

    [Fact]
    public async Task While_somebody_records_what_is_computed_waits_and_the_network_goes_on()
    {
        hold.Begin();
        await Add(Computing, "a");
        await Add(Network, "b");
        await queue.StartAsync(CancellationToken.None);
        await fetching.Begun("b");
        Assert.DoesNotContain("a", counting.Seen);
        hold.End();
        queue.Wake();
        await counting.Begun("a");
    }

    [Fact]
    public async Task What_is_higher_in_priority_comes_first()
    {
        await Add(Computing, "usual");
        await Add(Computing, "urgent", priority: 5);
        await queue.StartAsync(CancellationToken.None);
        await counting.Begun("urgent");
        Assert.DoesNotContain("usual", counting.Seen);
    }

    [Fact]
    public async Task A_job_waits_for_the_one_that_must_be_done_before_it_also_in_another_lane()
    {
        var fetch = await Add(Network, "fetch");
        var count = await Add(Computing, "count", after: fetch);
        await queue.StartAsync(CancellationToken.None);
        await fetching.Begun("fetch");
        Assert.Empty(counting.Seen);
        fetching.End("fetch");
        await counting.Begun("count");
        counting.End("count");
        await Ended(count);
    }

    [Fact]
    public async Task What_waits_for_a_job_that_fails_fails_with_its_reason_and_so_does_what_waits_for_that()
    {
        var fetch = await Add(Network, "fetch");
        var count = await Add(Computing, "count", after: fetch);
        var more = await Add(Computing, "more", after: count);
        await queue.StartAsync(CancellationToken.None);
        await fetching.Begun("fetch");
        fetching.Fail("fetch", new SteeredProblem("The page is not there any more."));
        await Ended(fetch, count, more);
        Assert.All(new[] { fetch, count, more }, j => Assert.Equal((JobState.Failed, "The page is not there any more."), (State(j).State, State(j).Problem)));
        Assert.Empty(counting.Seen);
    }

    [Fact]
    public async Task Trying_again_puts_the_whole_chain_that_came_to_nothing_in_the_queue()
    {
        await using (var context = library.CreateDbContext())
        {
            context.Lectures.Add(new LectureRow { Id = "seas", Title = "Seas", SourceName = "seas.mp3" });
            await context.SaveChangesAsync();
        }

        var fetch = await Add(Network, "fetch", lectureId: "seas");
        var count = await Add(Computing, "count", after: fetch, lectureId: "seas");
        await queue.StartAsync(CancellationToken.None);
        await fetching.Begun("fetch");
        fetching.Fail("fetch", new SteeredProblem("Gone."));
        await Ended(fetch, count);
        await using (var context = library.CreateDbContext())
        {
            Assert.True(await queue.Retry(context, "seas", CancellationToken.None));
            Assert.False(await queue.Retry(context, "seas", CancellationToken.None));
        }

        queue.Wake();
        await fetching.Begun("fetch", times: 2);
        fetching.End("fetch");
        await counting.Begun("count");
    }

    [Fact]
    public async Task What_nobody_foresaw_is_told_in_the_words_of_the_work_and_the_queue_goes_on()
    {
        var first = await Add(Computing, "a");
        await Add(Computing, "b");
        await queue.StartAsync(CancellationToken.None);
        await counting.Begun("a");
        counting.Fail("a", new InvalidOperationException("a mistake of ours"));
        await counting.Begun("b");
        Assert.Equal((JobState.Failed, counting.Failure), (State(first).State, State(first).Problem));
    }

    [Fact]
    public async Task A_work_that_does_not_end_its_job_fails_loudly_instead_of_running_for_ever()
    {
        var job = await Add(Computing, "forgetful");
        await queue.StartAsync(CancellationToken.None);
        await counting.Begun("forgetful");
        counting.End("forgetful");
        await Ended(job);
        Assert.Equal(JobState.Failed, State(job).State);
    }

    [Fact]
    public async Task A_stopped_job_stores_nothing_and_what_waited_for_it_is_stopped_too()
    {
        var fetch = await Add(Network, "fetch");
        var count = await Add(Computing, "count", after: fetch);
        await queue.StartAsync(CancellationToken.None);
        await fetching.Begun("fetch");
        Assert.Equal(2, await queue.CancelAll(CancellationToken.None));
        Assert.All(new[] { fetch, count }, j => Assert.Equal(JobState.Cancelled, State(j).State));
    }

    [Fact]
    public async Task A_job_of_a_kind_that_this_Kostel_does_not_know_is_left_waiting_and_holds_up_nobody()
    {
        var unknown = await Add(new JobKind<Asked>("of-tomorrow", JobLane.Computing), "x");
        await Add(Computing, "a");
        await queue.StartAsync(CancellationToken.None);
        await counting.Begun("a");
        Assert.Equal(JobState.Waiting, State(unknown).State);
    }

    public ValueTask InitializeAsync() => ValueTask.CompletedTask;

    public async ValueTask DisposeAsync()
    {
        await queue.StopAsync(CancellationToken.None);
        library.Dispose();
        Directory.Delete(folder, recursive: true);
    }

    private async Task<int> Add(JobKind<Asked> kind, string name, int priority = 0, int? after = null, string? lectureId = null)
    {
        await using var context = library.CreateDbContext();
        var job = queue.Enqueue(context, kind, lectureId, new Asked(name), priority, after);
        await context.SaveChangesAsync();
        queue.Wake();
        return job.Id;
    }

    private JobRow State(int id)
    {
        using var context = library.CreateDbContext();
        return context.Jobs.AsNoTracking().Single(j => j.Id == id);
    }

    private async Task Ended(params int[] jobs)
    {
        while (jobs.Any(j => State(j).State is JobState.Waiting or JobState.Running))
        {
            await Task.Delay(20, TestContext.Current.CancellationToken);
        }
    }

    private sealed record Asked(string Name);

    private sealed class SteeredProblem(string message) : KnownProblemException("steered", message);

    /// <summary>Does nothing until it is told what becomes of a job.</summary>
    private sealed class SteeredWork(JobKind<Asked> kind) : IJobWork
    {
        private readonly ConcurrentDictionary<string, TaskCompletionSource> open = new();
        private readonly ConcurrentQueue<string> seen = new();

        public IReadOnlyCollection<string> Seen => seen;

        public JobKind Kind => kind;

        public string Failure => "It did not work out. Try again.";

        public async Task Run(JobTurn turn, CancellationToken cancel)
        {
            var name = turn.Payload(kind).Name;
            await turn.Enter(JobStage.Checking, cancel);
            var end = open[name] = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
            seen.Enqueue(name);
            await end.Task.WaitAsync(cancel);
            if (name != "forgetful")
            {
                await turn.Finish((_, _) => Task.CompletedTask, cancel);
            }
        }

        public async Task Begun(string name, int times = 1)
        {
            while (seen.Count(s => s == name) < times)
            {
                await Task.Delay(10, TestContext.Current.CancellationToken);
            }
        }

        public void End(string name) => open[name].SetResult();

        public void Fail(string name, Exception reason) => open[name].SetException(reason);
    }

    private sealed class SilentHub : IHubContext<ProgressHub>, IHubClients, IClientProxy
    {
        public IHubClients Clients => this;

        public IGroupManager Groups => throw new NotSupportedException();

        public IClientProxy All => this;

        public IClientProxy AllExcept(IReadOnlyList<string> excludedConnectionIds) => this;

        public IClientProxy Client(string connectionId) => this;

        IClientProxy IHubClients<IClientProxy>.Clients(IReadOnlyList<string> connectionIds) => this;

        public IClientProxy Group(string groupName) => this;

        public IClientProxy GroupExcept(string groupName, IReadOnlyList<string> excludedConnectionIds) => this;

        IClientProxy IHubClients<IClientProxy>.Groups(IReadOnlyList<string> groupNames) => this;

        public IClientProxy User(string userId) => this;

        public IClientProxy Users(IReadOnlyList<string> userIds) => this;

        public Task SendCoreAsync(string method, object?[] args, CancellationToken cancellationToken = default) => Task.CompletedTask;
    }
}
