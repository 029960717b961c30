using System.Runtime.InteropServices;

namespace YokePair.Web;

/// <summary>
/// Work that must not hold up whoever edits: on a thread of its own with the lowest priority. What is on the thread pool has everyone's
/// priority, and with as many searches as cores an edit would wait for its turn.
/// </summary>
internal static class Behind
{
    private const int ThisThread = 0, OfOne = 0, Lowest = 19;

    /// <summary>Starts it; solvers' threads that it starts in turn are as low.</summary>
    /// <returns>Ends when it ends, with what it threw.</returns>
    public static Task RunAsync(Action work)
    {
        var done = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        var thread = new Thread(() =>
        {
            // The runtime's own priorities do nothing on Linux. Where this is refused the work is done all the same.
            if (OperatingSystem.IsLinux()) _ = SetPriority(OfOne, ThisThread, Lowest);
            try
            {
                work();
                done.SetResult();
            }
            catch (Exception e) when (done.TrySetException(e))
            {
                // Whoever waits for the task throws it.
            }
        })
        { IsBackground = true, Name = "search" };
        thread.Start();
        return done.Task;
    }

    [DllImport("libc", EntryPoint = "setpriority")]
    private static extern int SetPriority(int which, int who, int priority);
}
